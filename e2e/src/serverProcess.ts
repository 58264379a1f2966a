import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const built = (file: string) =>
  fileURLToPath(new URL(`../../server/dist/${file}`, import.meta.url));
const MAIN = built('main.js');

/** The database's engine is compiled once, not once more to be quicker: a test has not so much to do. */
const QUICK_START = ['--liftoff-only'];

export interface ServerProcess {
  /** With a slash at its end. */
  readonly address: string;
  readonly port: number;
  readonly dataFolder: string;
  /** Ends it as a pulled plug would. */
  kill(): Promise<void>;
  stop(): Promise<void>;
  /** Ends a simulated instrument as if its plug were pulled. */
  pull(kind: 'meter' | 'sweep'): Promise<void>;
}

export interface ServerStart {
  readonly demo?: boolean;
  /** 0 for any that is free. */
  readonly port?: number;
  readonly dataFolder?: string;
  readonly options?: readonly string[];
  /** A simulated meter and a simulated sweep, each a process of its own. */
  readonly instruments?: boolean;
  readonly environment?: Readonly<Record<string, string>>;
}

/** Starts the built server as a process of its own and waits until it says that it is ready. */
export async function startServerProcess(start: ServerStart = {}): Promise<ServerProcess> {
  const { demo = true, port = 0, dataFolder = mkdtempSync(join(tmpdir(), 'gullwind-')) } = start;
  const { options = [], environment = {}, instruments = false } = start;
  const simulated = instruments ? await startSimulated() : [];
  const own = ['--port', String(port), '--data', dataFolder, ...(demo ? ['--demo'] : [])];
  const child = spawn(
    process.execPath,
    [...QUICK_START, MAIN, ...own, ...simulated.flatMap(({ option }) => option), ...options],
    {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...environment },
    },
  );
  const address = await readyAddress(child);
  const endAll = async (signal: NodeJS.Signals) => {
    await end(child, signal);
    for (const one of simulated) await end(one.child, 'SIGKILL');
  };
  return {
    address,
    port: Number(new URL(address).port),
    dataFolder,
    kill: () => endAll('SIGKILL'),
    stop: () => endAll('SIGTERM'),
    pull: (kind) => end(simulated.find((one) => one.kind === kind)!.child, 'SIGKILL'),
  };
}

const startSimulated = () =>
  Promise.all(
    (['meter', 'sweep'] as const).map(async (kind) => {
      const child = spawn(process.execPath, [built('simulated.js'), '--kind', kind], {
        stdio: ['ignore', 'pipe', 'pipe'],
      });
      return { kind, child, option: [`--${kind}`, await readyAddress(child)] };
    }),
  );

function readyAddress(child: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let said = '';
    child.stderr!.on('data', (data: Buffer) => (said += data.toString()));
    child.stdout!.on('data', (data: Buffer) => {
      said += data.toString();
      const match = /ready: (\S+)/u.exec(said);
      if (match) resolve(match[1]!);
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
}

function end(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.once('exit', () => resolve());
    child.kill(signal);
  });
}
