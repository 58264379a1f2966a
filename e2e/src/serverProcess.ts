import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const MAIN = fileURLToPath(new URL('../../server/dist/main.js', import.meta.url));

export interface ServerProcess {
  /** With a slash at its end. */
  readonly address: string;
  readonly port: number;
  readonly dataFolder: string;
  /** Ends it as a pulled plug would. */
  kill(): Promise<void>;
  stop(): Promise<void>;
}

export interface ServerStart {
  readonly demo?: boolean;
  /** 0 for any that is free. */
  readonly port?: number;
  readonly dataFolder?: string;
  readonly options?: readonly string[];
  readonly environment?: Readonly<Record<string, string>>;
}

/** Starts the built server as a process of its own and waits until it says that it is ready. */
export async function startServerProcess(start: ServerStart = {}): Promise<ServerProcess> {
  const { demo = true, port = 0, dataFolder = mkdtempSync(join(tmpdir(), 'gullwind-')) } = start;
  const { options = [], environment = {} } = start;
  const own = ['--port', String(port), '--data', dataFolder, ...(demo ? ['--demo'] : [])];
  const child = spawn(process.execPath, [MAIN, ...own, ...options], {
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...environment },
  });
  const address = await readyAddress(child);
  return {
    address,
    port: Number(new URL(address).port),
    dataFolder,
    kill: () => end(child, 'SIGKILL'),
    stop: () => end(child, 'SIGTERM'),
  };
}

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
