import {
  ERROR_CATALOGUE,
  OPERATION_HEADER,
  OPERATIONS,
  problemShape,
  type ErrorCode,
  type Operation,
} from '@gullwind/contract';
import type Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { letOthers } from '../letOthers';

/// The HTTP API as OpenAPI 3.0, made of the schemas that read and describe what goes in and out.

type Json = Readonly<Record<string, unknown>>;

/** What every operation may answer with beside its own errors. */
const ALWAYS: readonly ErrorCode[] = [
  'host-not-allowed',
  'origin-not-allowed',
  'database-away',
  'no-room',
  'internal',
];
/** What needs no passphrase. */
const OPEN = ['/health', '/session'];
/** Another whenever something that is asked today would be answered otherwise. */
const API_VERSION = '2.0.0';
const JSON_TYPE = 'application/json';

/** Gathers the schemas that have a name of their own. */
class Components {
  readonly schemas: Record<string, unknown> = {};
  /** A rig takes a quarter of a second to be described, and stands in a dozen places. */
  private readonly known = new Map<Joi.Schema, unknown>();

  schemaOf(shape: Joi.Schema): unknown {
    if (!this.known.has(shape)) {
      const { swagger, components } = joiToSwagger(shape);
      Object.assign(this.schemas, mend(components?.schemas ?? {}));
      this.known.set(shape, mend(swagger));
    }
    return this.known.get(shape);
  }
}

/** What the converter leaves undone. */
function mend(json: unknown): unknown {
  return JSON.parse(JSON.stringify(json), (key, value: unknown) => {
    // The slash of an expression with flags stays at its end.
    if (key === 'pattern' && typeof value === 'string') return value.replace(/\/[a-z]*$/u, '');
    return withNull(value);
  }) as unknown;
}

/** "nullable" counts only beside a type; what has none says null as one of its values. */
function withNull(schema: unknown): unknown {
  if (typeof schema !== 'object' || schema === null || !('nullable' in schema)) return schema;
  if ('type' in schema) return schema;
  const { nullable: _, ...rest } = schema as { nullable: unknown; enum?: readonly unknown[] };
  if (rest.enum) return { ...rest, enum: [...rest.enum.filter((one) => one !== null), null] };
  return { anyOf: [rest, { enum: [null] }] };
}

const isWrite = ({ method, path }: Operation): boolean => method !== 'get' && !OPEN.includes(path);

const OPERATION_PARAMETER: Json = {
  name: OPERATION_HEADER,
  in: 'header',
  required: false,
  description:
    'An id of the client’s making. The same write sent again under it is done once and answered what it was answered first, for sixty days.',
  schema: { type: 'string', format: 'uuid' },
};

const parametersOf = (operation: Operation, components: Components): readonly Json[] => {
  const inPath = Object.entries(operation.params ?? {});
  const inQuery = Object.entries(operation.query ?? {});
  const one = (place: string, [name, shape]: readonly [string, Joi.Schema]) => ({
    ...{ name, in: place, required: place === 'path' },
    schema: components.schemaOf(shape),
  });
  return [
    ...inPath.map((param) => one('path', param)),
    ...inQuery.map((param) => one('query', param)),
    ...(isWrite(operation) ? [OPERATION_PARAMETER] : []),
  ];
};

/** Errors of one status are one answer, whose description names their codes. */
function errorsOf(operation: Operation, ref: unknown): Json {
  const { path, errors } = operation;
  const codes = [
    ...errors,
    ...(isWrite(operation) ? ['operation-reused' as const] : []),
    ...ALWAYS,
    ...(OPEN.includes(path) ? [] : ['sign-in-required' as const]),
  ];
  const statuses = [...new Set(codes.map((code) => ERROR_CATALOGUE[code].status))];
  const withStatus = (status: number) =>
    codes.filter((code) => ERROR_CATALOGUE[code].status === status);
  return Object.fromEntries(
    statuses.map((status) => [
      status,
      {
        description: withStatus(status)
          .map((code) => `${code}: ${ERROR_CATALOGUE[code].title}.`)
          .join(' '),
        content: { 'application/problem+json': { schema: ref } },
      },
    ]),
  );
}

function describe(operation: Operation, components: Components): Json {
  const { method, summary, body, answer, status, type } = operation;
  const lines = { schema: { type: 'string' } };
  const content = answer
    ? { [JSON_TYPE]: { schema: components.schemaOf(answer) } }
    : type && { [type]: lines };
  const sent = body
    ? { [JSON_TYPE]: { schema: components.schemaOf(body) } }
    : type && method === 'post' && { [type]: lines };
  return {
    summary,
    parameters: parametersOf(operation, components),
    ...(sent && { requestBody: { required: true, content: sent } }),
    responses: {
      [status]: { description: summary, ...(content && { content }) },
      ...errorsOf(operation, components.schemaOf(problemShape)),
    },
  };
}

/** The whole description; somebody else is served between one operation and the next. */
export async function openApi(): Promise<Json> {
  const components = new Components();
  const paths: Record<string, Record<string, Json>> = {};
  for (const operation of OPERATIONS) {
    (paths[operation.path] ??= {})[operation.method] = describe(operation, components);
    await letOthers();
  }
  return {
    openapi: '3.0.3',
    info: {
      title: 'Gullwind',
      version: API_VERSION,
      description:
        'Quantities are in SI units: metres, farads, ohms. Errors are application/problem+json; docs/errors.md lists their codes.',
    },
    servers: [{ url: '/api' }],
    paths,
    components: { schemas: components.schemas },
  };
}
