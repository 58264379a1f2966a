import { readFileSync, writeFileSync } from 'node:fs';
import { GEAR_KINDS, gearOf } from '@gullwind/core';
import { thingJsonSchema } from '@gullwind/contract';

/** Writes what the descriptors of gear say into the JSON Schemas that are shipped. */
const FOLDER = new URL('../docs/formats/', import.meta.url);

function rewrite(name: string, change: (defs: Record<string, unknown>) => void): void {
  const file = new URL(`${name}.schema.json`, FOLDER);
  const schema = JSON.parse(readFileSync(file, 'utf8')) as { $defs: Record<string, unknown> };
  change(schema.$defs);
  writeFileSync(file, `${JSON.stringify(schema, null, 2)}\n`);
}

rewrite('gear-4', (defs) => {
  for (const kind of GEAR_KINDS) defs[kind] = thingJsonSchema(kind);
});
for (const file of ['rig-7', 'board-2'])
  rewrite(file, (defs) => {
    for (const kind of GEAR_KINDS)
      if (gearOf(kind).isForRigs || kind in defs)
        defs[kind] = thingJsonSchema(kind, kind !== 'plug' && kind !== 'mount');
  });
