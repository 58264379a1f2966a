import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import {
  applyEdit,
  applyRigDifference,
  newRig,
  type Rig,
  type RigDifference,
} from '@gullwind/core';
import request from 'supertest';
import { editOf, randomRig, recipe } from '../../core/test/rig/randomRig';
import { beginHunt } from '../src/hunts/huntStore';
import { findRevision, listRevisions, nameRevision, thinRevisions } from '../src/rigs/revisions';
import { createRig, updateRig } from '../src/rigs/rigStore';
import { HUNTED } from './support/hunted';
import { engines } from './support/databases';
import { runApp, type RunningApp } from './support/runningApp';

/// Revisions that were kept, what is another between them, and going back to one, on both engines.

const HISTORIES = 60;
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const partsOf = ({ electrical, state, layout, power, build, book, texts }: Rig) =>
  plain({ electrical, state, layout, power, build, book, texts });

/** Rigs as they were after each edit that was not refused. */
const histories = fc
  .sample(fc.tuple(randomRig, fc.array(recipe, { minLength: 3, maxLength: 6 })), {
    numRuns: HISTORIES,
    seed: 41,
  })
  .map(([start, recipes]) =>
    recipes.reduce<readonly Rig[]>(
      (all, step) => {
        const result = applyEdit(all.at(-1)!, editOf(all.at(-1)!, step));
        return result.kind === 'ok' ? [...all, result.rig] : all;
      },
      [start],
    ),
  );

describe.each(engines().map((engine) => [engine.name, engine] as const))('on %s', (_, engine) => {
  let app: RunningApp;
  beforeAll(async () => {
    app = await runApp({ open: () => engine.open() });
  });
  afterAll(async () => {
    await app.close();
    engine.stop();
  });

  /** A history saved edit by edit; the revisions that it came to. */
  async function saved(history: readonly Rig[]) {
    const id = randomUUID();
    await createRig(app.db, id, history[0]!);
    let basedOn = 1;
    for (const rig of history.slice(1)) {
      const result = await updateRig(app.db, id, { basedOn, rig });
      if (result.kind !== 'saved') throw new Error(result.kind);
      basedOn = result.saved.revision;
    }
    return { id, last: basedOn };
  }

  test('the difference of any two revisions of many histories, applied to the first, gives the second', async () => {
    for (const [nth, history] of histories.entries()) {
      const { id, last } = await saved(history);
      const [a, b] = [1 + (nth % last), 1 + ((nth * 7 + 3) % last)];
      const [before, after] = [
        (await findRevision(app.db, id, a))!,
        (await findRevision(app.db, id, b))!,
      ];
      const answer = await request(app.url)
        .get(`/api/rigs/${id}/revisions/${a}/difference/${b}`)
        .expect(200);
      const { difference } = answer.body as { difference?: RigDifference };
      expect(applyRigDifference(before, difference)).toEqual(partsOf(after));
    }
  });

  test('going back to a revision is a new one, and what came between stays', async () => {
    const { id, last } = await saved(histories.find((history) => history.length > 3)!);
    const first = (await findRevision(app.db, id, 1))!;
    const result = await updateRig(app.db, id, { basedOn: last, rig: first });
    expect(result).toMatchObject({ kind: 'saved', saved: { revision: last + 1 } });
    expect(partsOf((await findRevision(app.db, id, last + 1))!)).toEqual(partsOf(first));
    expect((await listRevisions(app.db, id)).total).toBe(last + 1);
  });

  test('those that have a name are listed by themselves', async () => {
    const { id, last } = await saved(histories.find((history) => history.length > 3)!);
    await nameRevision(app.db, id, 2, 'first night');
    const named = await listRevisions(app.db, id, null, true);
    expect(named).toMatchObject({ total: 1, revisions: [{ revision: 2, name: 'first night' }] });
    expect((await listRevisions(app.db, id)).total).toBe(last);
  });

  test('a revision at which a hunt began is not thinned', async () => {
    const { id } = await saved([1, 2, 3, 4].map((n) => ({ ...newRig(`rig ${n}`) })));
    await beginHunt(app.db, randomUUID(), { ...HUNTED, rig: id, revision: 2 });
    await app.db.query(
      `update rig_revisions set saved_at = now() - interval '40 days' + revision * interval '1 second'
       where rig_id = $1 and revision < 4`,
      [id],
    );
    await thinRevisions(app.db, new Date());
    const kept = (await listRevisions(app.db, id)).revisions.map(({ revision }) => revision);
    expect(kept).toEqual([4, 3, 2]);
  });
});
