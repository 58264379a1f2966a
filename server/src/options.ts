import { isIP } from 'node:net';
import { parseArgs } from 'node:util';
import { isLoopback } from './guards';
import type { InstrumentAddress } from './instruments/lineClient';
import type { WorkspaceCommand } from './workspace/workspaceCommand';
import { LEAST_PASSPHRASE } from './session/passphrase';

export interface ServerOptions {
  readonly host: string;
  readonly port: number;
  readonly dataFolder: string;
  /** A PostgreSQL server instead of the embedded engine. */
  readonly databaseUrl: string | null;
  readonly demo: boolean;
  /** Asked for wherever it is set; it has to be on any address that others can reach. */
  readonly passphrase: string | null;
  /** What people call the server by, where that is not its address: a proxy is before it, or a name points to it. */
  readonly publicUrl: URL | null;
  /** Files of a certificate and its key, where the server speaks TLS itself. */
  readonly tls: { readonly cert: string; readonly key: string } | null;
  /** Addresses of proxies that are believed in what they say of who asks. */
  readonly proxies: readonly string[];
  /** Instruments that speak in lines over a socket: the only ones that are ever connected to. */
  readonly meters: readonly InstrumentAddress[];
  readonly sweeps: readonly InstrumentAddress[];
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
  const { tls, rest } = takeTls(args);
  const { values, positionals } = parseArgs({
    args: rest,
    allowPositionals: true,
    options: {
      host: { type: 'string', default: '127.0.0.1' },
      port: { type: 'string', default: String(DEFAULT_PORT) },
      data: { type: 'string', default: 'data' },
      demo: { type: 'boolean', default: false },
      overwrite: { type: 'boolean', default: false },
      'public-url': { type: 'string' },
      proxy: { type: 'string', multiple: true, default: [] },
      meter: { type: 'string', multiple: true, default: [] },
      sweep: { type: 'string', multiple: true, default: [] },
    },
  });
  const publicUrl = values['public-url'] === undefined ? null : readPublicUrl(values['public-url']);
  const passphrase = environment.GULLWIND_PASSPHRASE ?? null;
  checkPassphrase(passphrase, values.host, publicUrl);
  return {
    host: values.host,
    port: readPort(values.port),
    dataFolder: values.data,
    databaseUrl: environment.DATABASE_URL ?? null,
    demo: values.demo,
    passphrase,
    publicUrl,
    tls,
    proxies: values.proxy.map(readProxy),
    meters: values.meter.map((text) => readInstrument('--meter', text)),
    sweeps: values.sweep.map((text) => readInstrument('--sweep', text)),
    command: readCommand(positionals, values.overwrite),
  };
}

/** "--tls CERT KEY" names two files, which no other option does. */
function takeTls(args: readonly string[]): Pick<ServerOptions, 'tls'> & { rest: string[] } {
  const at = args.indexOf('--tls');
  if (at < 0) return { tls: null, rest: [...args] };
  const [cert, key] = args.slice(at + 1, at + 3);
  if (!cert || !key || cert.startsWith('--') || key.startsWith('--'))
    throw new Error('--tls CERT KEY: name the files of the certificate and of its key.');
  return { tls: { cert, key }, rest: args.toSpliced(at, 3) };
}

function readPort(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`--port: “${text}” is not a port; it must be a whole number from 0 to 65535.`);
  return port;
}

/** HOST:PORT; of an IPv6 address the host stands in brackets. */
function readInstrument(option: string, text: string): InstrumentAddress {
  const found = /^(?:\[([0-9a-f:]+)\]|([^\s:[\]/]+)):(\d{1,5})$/iu.exec(text);
  const port = Number(found?.[3]);
  if (!found || port < 1 || port > 65535)
    throw new Error(`${option}: “${text}” is not an address like 192.168.1.20:5025.`);
  return { host: (found[1] ?? found[2])!, port };
}

function readPublicUrl(text: string): URL {
  const url = URL.canParse(text) ? new URL(text) : null;
  const isPlain = url && url.pathname === '/' && !url.search && !url.hash && !url.username;
  if (!isPlain || !/^https?:$/u.test(url.protocol))
    throw new Error(`--public-url: “${text}” is not an address like https://rigs.example/.`);
  return url;
}

function readProxy(text: string): string {
  const [address, bits, ...more] = text.split('/');
  const most = isIP(address!) === 6 ? 128 : 32;
  const isRange = bits === undefined || (/^\d{1,3}$/u.test(bits) && Number(bits) <= most);
  if (isIP(address!) === 0 || !isRange || more.length > 0)
    throw new Error(`--proxy: “${text}” is not an address like 10.0.0.2 or 10.0.0.0/24.`);
  return text;
}

function checkPassphrase(passphrase: string | null, host: string, publicUrl: URL | null): void {
  if (passphrase !== null && passphrase.length < LEAST_PASSPHRASE)
    throw new Error(`GULLWIND_PASSPHRASE is shorter than ${LEAST_PASSPHRASE} characters.`);
  if (passphrase !== null || (isLoopback(host) && !publicUrl)) return;
  const reached = publicUrl ? `--public-url ${publicUrl.href}` : `--host ${host}`;
  throw new Error(
    `${reached} can be reached from other machines. Set GULLWIND_PASSPHRASE to at least ${LEAST_PASSPHRASE} characters, or leave it out.`,
  );
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
