import { writeSync } from 'node:fs';
import { runCommand } from './runCommand';

const [OUT, ERR] = [1, 2];
const { exitCode, out, err } = runCommand(process.argv.slice(2));
// At once and whole: what is piped on is not cut when the process ends.
write(OUT, out);
write(ERR, err);
process.exitCode = exitCode;

function write(to: number, text: string): void {
  const bytes = Buffer.from(text);
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(to, bytes, at);
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      // Whoever reads has had enough; or is slower than this.
      if (code === 'EPIPE') return;
      if (code !== 'EAGAIN') throw error;
    }
  }
}
