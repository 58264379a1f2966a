import type Joi from 'joi';
import type { ErrorCode } from '../errorCatalogue';

/** One thing that the server can be asked. */
export interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** Under "/api"; what varies stands in braces. */
  readonly path: string;
  readonly summary: string;
  readonly params?: Readonly<Record<string, Joi.Schema>>;
  readonly query?: Readonly<Record<string, Joi.Schema>>;
  readonly body?: Joi.Schema;
  /** Of body and answer where it is not JSON. */
  readonly type?: 'application/x-ndjson' | 'image/jpeg';
  readonly status: number;
  /** Nothing where there is no content, or the answer is not JSON. */
  readonly answer?: Joi.Schema;
  /** Beside those that every operation has. */
  readonly errors: readonly ErrorCode[];
}

/** What may be wrong with any body. */
export const READ = ['invalid-request', 'malformed-json', 'not-json', 'body-too-large'] as const;
