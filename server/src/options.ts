import { parseArgs } from 'node:util';
import { isLoopback } from './guards';
import type { WorkspaceCommand } from './workspace/workspaceCommand';
import { LEAST_PASSPHRASE } from './session/passphrase';

export interface ServerOptions {
  readonly host: string;
  readonly port: number;
  readonly dataFolder: string;
  /** A PostgreSQL server instead of the embedded engine. */
  readonly databaseUrl: string | null;
  readonly demo: boolean;
  /** Asked for on any address but loopback. */
  readonly passphrase: string | null;
  /** Instead of serving: to back everything up, or to bring it back. */
  readonly command: WorkspaceCommand | null;
}

export const DEFAULT_PORT = 4870;

/**
 * Reads the command line and the environment.
 *
 * @throws Error with a sentence for the person who started the server
 */
export function readOptions(
  args: readonly string[],
  environment: NodeJS.ProcessEnv,
): ServerOptions {
  const { values, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      host: { type: 'string', default: '127.0.0.1' },
      port: { type: 'string', default: String(DEFAULT_PORT) },
      data: { type: 'string', default: 'data' },
      demo: { type: 'boolean', default: false },
      overwrite: { type: 'boolean', default: false },
    },
  });
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(
      `--port: “${values.port}” is not a port; it must be a whole number from 0 to 65535.`,
    );
  }
  const passphrase = environment.GULLWIND_PASSPHRASE ?? null;
  if (!isLoopback(values.host) && (passphrase?.length ?? 0) < LEAST_PASSPHRASE) {
    throw new Error(
      `--host ${values.host} can be reached from other machines. Set GULLWIND_PASSPHRASE to at least ${LEAST_PASSPHRASE} characters, or leave --host out.`,
    );
  }
  return {
    host: values.host,
    port,
    dataFolder: values.data,
    databaseUrl: environment.DATABASE_URL ?? null,
    demo: values.demo,
    passphrase: isLoopback(values.host) ? null : passphrase,
    command: readCommand(positionals, values.overwrite),
  };
}

function readCommand(positionals: readonly string[], overwrite: boolean): WorkspaceCommand | null {
  const [kind, file, ...rest] = positionals;
  if (kind === undefined) return null;
  if ((kind !== 'backup' && kind !== 'restore') || file === undefined || rest.length > 0)
    throw new Error(
      'To back up: backup FILE. To bring it back: restore FILE, with --overwrite over what is there.',
    );
  return kind === 'backup' ? { kind, file } : { kind, file, overwrite };
}
