import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { temporaryFolder } from '../support/databases';

const MAIN = fileURLToPath(new URL('../../dist/main.js', import.meta.url));

export interface TargetStart {
  /** Of a PostgreSQL server; null is a data directory of its own. */
  readonly databaseUrl: string | null;
  readonly passphrase?: string;
  /** So many files and connections the process may have open. */
  readonly descriptors?: number;
}

/** The built server as a process that is attacked, killed and started again on the same data. */
export class Target {
  private child: ChildProcess | null = null;
  private said = '';
  private readonly folder = temporaryFolder();
  /** Times it ended without being killed. */
  deaths = 0;
  url = new URL('http://127.0.0.1/');

  constructor(private readonly how: TargetStart) {}

  async start(): Promise<void> {
    const { databaseUrl, passphrase, descriptors } = this.how;
    const own = ['--liftoff-only', MAIN, '--port', '0', '--data', this.folder];
    const limited = ['-c', `ulimit -n ${descriptors} && exec "$0" "$@"`, process.execPath];
    const child = spawn(
      descriptors ? 'bash' : process.execPath,
      descriptors ? [...limited, ...own] : own,
      {
        stdio: ['ignore', 'pipe', 'pipe'],
        env: {
          ...process.env,
          LOG_LEVEL: 'error',
          ...(databaseUrl && { DATABASE_URL: databaseUrl }),
          ...(passphrase && { GULLWIND_PASSPHRASE: passphrase }),
        },
      },
    );
    this.child = child;
    child.once('exit', () => {
      if (this.child === child) this.deaths++;
    });
    this.url = await new Promise((resolve, reject) => {
      const hear = (data: Buffer) => {
        this.said += data.toString();
        const found = /ready: (\S+)/u.exec(data.toString());
        if (found) resolve(new URL(found[1]!));
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.once('exit', (code) => reject(new Error(`it ended with ${code}: ${this.said}`)));
    });
  }

  /** What it has complained of. */
  get complaints(): readonly string[] {
    return this.said.split('\n').filter((line) => line.includes('"level"'));
  }

  async end(signal: NodeJS.Signals): Promise<void> {
    const { child } = this;
    this.child = null;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = once(child, 'exit');
    child.kill(signal);
    await gone;
  }
}
