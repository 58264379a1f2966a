import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { makeOwnerOnly } from './db/ownerOnly';
import { followStarter } from './followStarter';
import { readOptions } from './options';
import { runCommand, startServer } from './startServer';
import { COMMIT, VERSION } from './version';

/** Both `server/src` and `server/dist` lie two folders below the project. */
const inProject = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url));

async function main(): Promise<void> {
  makeOwnerOnly();
  const options = readOptions(process.argv.slice(2), process.env);
  const web = inProject('web/dist');
  const paths = {
    migrations: inProject('server/src/db/migrations'),
    template: inProject('.cache/pglite-template'),
    web: existsSync(web) ? web : null,
  };
  if (options.command) {
    console.log(await runCommand(options, paths, options.command));
    return;
  }
  const server = await startServer(
    options,
    paths,
    pino({ level: process.env.LOG_LEVEL ?? 'warn', base: { version: VERSION, commit: COMMIT } }),
  );
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.stop().then(
      () => process.exit(0),
      (error: unknown) => fail(error),
    );
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
    process.on(signal, () => {
      // Asked twice it ends at once: what is acknowledged is on the disk.
      if (stopping) process.exit(1);
      stop();
    });
  }
  followStarter(stop);
  console.log(`Gullwind is ready: ${server.address}`);
}

function fail(error: unknown): never {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}

main().catch(fail);
