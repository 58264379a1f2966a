import { mkdir, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';

/** An initialised, empty database as an archive: loading it is quicker than initialising one. */
const path = fileURLToPath(new URL('../.cache/pglite-template.tar.gz', import.meta.url));
const engine = await PGlite.create();
const archive = await engine.dumpDataDir('gzip');
await mkdir(dirname(path), { recursive: true });
await writeFile(path, Buffer.from(await archive.arrayBuffer()));
await engine.close();
