import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { readOptions } from './options';
import { runCommand, startServer } from './startServer';

/** Both `server/src` and `server/dist` lie two folders below the project. */
const inProject = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url));

async function main(): Promise<void> {
  const options = readOptions(process.argv.slice(2), process.env);
  const web = inProject('web/dist');
  const paths = {
    migrations: inProject('server/src/db/migrations'),
    template: inProject('.cache/pglite-template.tar.gz'),
    web: existsSync(web) ? web : null,
  };
  if (options.command) {
    console.log(await runCommand(options, paths, options.command));
    return;
  }
  const server = await startServer(
    options,
    paths,
    pino({ level: process.env.LOG_LEVEL ?? 'warn' }),
  );
  console.log(`Gullwind is ready: ${server.address}`);
  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      server.stop().then(
        () => process.exit(0),
        (error: unknown) => fail(error),
      );
    });
  }
}

function fail(error: unknown): never {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}

main().catch(fail);
