import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { endLine, HEADER_LINE } from '@gullwind/contract';
import { newRig } from '@gullwind/core';
import { temporaryFolder } from './support/databases';

/// Backup and restore as commands: a file that is whole or not there, and a sentence each time.

const ID = '5d0c7f6e-1a51-4c1e-9a01-000000000001';
const MOMENT = '2026-11-25T10:00:00.000000Z';

describe('from the command line', () => {
  const MAIN = fileURLToPath(new URL('../dist/main.js', import.meta.url));
  const run = (...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      ['--liftoff-only', MAIN, ...args],
      {
        encoding: 'utf8',
      },
    );
    return { status, said: `${stdout}${stderr}`.trim() };
  };

  test('backup, restore on a fresh machine, refusal over work that is there', () => {
    const [one, two] = [temporaryFolder(), temporaryFolder()];
    const file = join(one, 'all.jsonl');
    const older = { kind: 'gullwind-workspace', format: 2, rigs: [], gear: [], settings: null };
    writeFileSync(join(one, 'small.json'), JSON.stringify(older));
    expect(run('restore', join(one, 'small.json'), '--data', one)).toMatchObject({ status: 0 });
    expect(run('backup', file, '--data', one)).toMatchObject({ status: 0 });
    expect(run('backup', file, '--data', one).said).toContain('is there already');
    expect(readdirSync(one).filter((name) => name.includes('all.jsonl'))).toEqual(['all.jsonl']);
    // A backup holds what people wrote: its owner's alone.
    expect(statSync(join(one, 'all.jsonl')).mode & 0o777).toBe(0o600);
    const withRig = join(one, 'rig.json');
    const kept = {
      id: randomUUID(),
      revision: 1,
      createdAt: MOMENT,
      updatedAt: MOMENT,
      deletedAt: null,
      document: newRig('kept'),
      revisions: [],
    };
    // As some programs write it: with a mark.
    writeFileSync(withRig, `\uFEFF${JSON.stringify({ ...older, rigs: [kept] }, null, 1)}`);
    expect(run('restore', withRig, '--data', two).said).toContain(
      '1 rigs with 0 revisions and 0 pieces of gear are back',
    );
    expect(run('restore', withRig, '--data', two)).toMatchObject({
      status: 1,
      said: expect.stringContaining('--overwrite'),
    });
    expect(run('restore', withRig, '--data', two, '--overwrite').status).toBe(0);
    writeFileSync(join(one, 'half.json'), '{"kind":');
    expect(run('restore', join(one, 'half.json'), '--data', two).said).toContain('is not JSON');
    expect(run('restore', join(one, 'none.json'), '--data', two).said).toContain('no file');
    const cut = readFileSync(file, 'utf8').trim().split('\n').slice(0, -1).join('\n');
    writeFileSync(join(one, 'cut.jsonl'), cut);
    expect(run('restore', join(one, 'cut.jsonl'), '--data', two, '--overwrite').said).toContain(
      'cut short: its end is missing. Nothing was changed.',
    );
  });

  test('a backup for which there is no room leaves no file', () => {
    const folder = temporaryFolder();
    const rig = newRig('large');
    const note = 'x'.repeat(1500);
    const document = { ...rig, texts: { ...rig.texts, note } };
    const revisions = Array.from({ length: 6000 }, (_, i) => i + 1).map((revision) =>
      JSON.stringify({
        kind: 'revision',
        rig: ID,
        revision,
        savedAt: MOMENT,
        name: null,
        document,
      }),
    );
    const kept = { id: ID, revision: 6000, createdAt: MOMENT, updatedAt: MOMENT, deletedAt: null };
    writeFileSync(
      join(folder, 'large.jsonl'),
      [
        HEADER_LINE,
        JSON.stringify({ kind: 'rig', ...kept, document }),
        ...revisions,
        endLine({ rigs: 1, revisions: 6000, gear: 0, records: 0 }),
      ].join('\n'),
    );
    expect(run('restore', join(folder, 'large.jsonl'), '--data', folder).status).toBe(0);
    // The largest file that may be made is above those of the database, and below the backup.
    const { status, stderr } = spawnSync(
      'sh',
      [
        '-c',
        `trap '' XFSZ; ulimit -f 36000; exec "$0" --liftoff-only "$@"`,
        process.execPath,
        MAIN,
        'backup',
        join(folder, 'full.jsonl'),
        '--data',
        folder,
      ],
      { encoding: 'utf8' },
    );
    expect(stderr).toContain('There is no room for the backup');
    expect(status).toBe(1);
    expect(readdirSync(folder).filter((name) => name.startsWith('full'))).toEqual([]);
  });
});
