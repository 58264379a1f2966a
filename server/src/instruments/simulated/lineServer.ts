import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';

/** Answers a query; undefined where a command is none. @throws Error for the error queue */
export type Answer = (command: string, argument: string) => string | undefined;

/** A rig of 64 devices is about 60 KiB. */
const LONGEST_LINE = 512 * 1024;

/**
 * A simulated instrument: SCPI in lines over a loopback socket, an error queue as a real one has. Each connection has
 * a state of its own.
 */
export function serveLines(port: number, open: () => Answer): Promise<Server> {
  const server = createServer((socket) => attend(socket, open()));
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}

export const portOf = (server: Server): number => (server.address() as AddressInfo).port;

function attend(socket: Socket, answer: Answer): void {
  let rest = '';
  const errors: string[] = [];
  socket.setEncoding('utf8');
  socket.on('error', () => socket.destroy());
  socket.on('data', (data: string) => {
    rest += data;
    const lines = rest.split('\n');
    rest = lines.pop()!;
    if (rest.length > LONGEST_LINE) {
      socket.destroy();
      return;
    }
    for (const line of lines) {
      const said = hear(line.trim(), answer, errors);
      if (said !== undefined) socket.write(`${said}\n`);
    }
  });
}

function hear(line: string, answer: Answer, errors: string[]): string | undefined {
  const at = line.indexOf(' ');
  const command = (at < 0 ? line : line.slice(0, at)).toUpperCase();
  if (command === '') return undefined;
  if (command === '*CLS') return void errors.splice(0);
  if (command === ':SYST:ERR?') return errors.shift() ?? '0,"No error"';
  try {
    return answer(command, at < 0 ? '' : line.slice(at + 1).trim());
  } catch (error) {
    errors.push(`-113,"${(error as Error).message.replaceAll(/[^\x20-\x7e]|"/gu, ' ')}"`);
    return command.endsWith('?') ? '9.91E37' : undefined;
  }
}
