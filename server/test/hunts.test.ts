import { randomUUID } from 'node:crypto';
import type { SentAnswer, SentHunt } from '@gullwind/contract';
import type { HuntEnding } from '@gullwind/core';
import { findRecords } from '../src/build/buildStore';
import type { Database } from '../src/db/database';
import { DEMO_RIGS } from '../src/demo/demoRigs';
import {
  addAnswer,
  demandHunt,
  endHunt,
  findHunts,
  beginHunt,
  setHunt,
  takeBack,
} from '../src/hunts/huntStore';
import { createRig, setRigDeleted } from '../src/rigs/rigStore';
import { engines, openMigrated } from './support/databases';
import { linesIn, partsIn, put } from './support/workspaces';

/// Hunts for a fault, on both engines.

const BEGUN: SentHunt = {
  rig: null,
  revision: null,
  symptom: 'crackle',
  comesAndGoes: true,
  order: 'best',
  weights: {},
  note: "'; drop table hunts; --",
};
const answer = (test: string, outcome: SentAnswer['outcome']): SentAnswer => ({
  test,
  outcome,
  says: `${test} “tried”`,
  minutes: 0.4,
  by: 'Mate',
});
const FOUND: HuntEnding = {
  kind: 'found',
  suspect: 'l1:joint',
  finding: 'The cable in: a plug or joint is loose.',
  remedy: 'A spare.',
  caution: 'Hot.',
  proof: 'Play it.',
  task: 'Make the cable in again',
  taskMinutes: 15,
  note: '',
};

describe.each(engines().map((engine) => [engine.name, engine] as const))(
  'hunts on %s',
  (_, engine) => {
    let db: Database;
    let other: Database;
    const rig = randomUUID();
    beforeAll(async () => {
      [db, other] = [
        await openMigrated(() => engine.open()),
        await openMigrated(() => engine.open()),
      ];
      await createRig(db, rig, DEMO_RIGS[0]!.rig);
    });
    afterAll(async () => {
      await db.close();
      await other.close();
      engine.stop();
    });

    test('answers stay in their order, one taken back with them, and one sent twice is one', async () => {
      const id = randomUUID();
      await beginHunt(db, id, BEGUN);
      const ids = [randomUUID(), randomUUID(), randomUUID()];
      for (const [i, one] of ids.entries()) await addAnswer(db, id, one, answer(`test${i}`, 'no'));
      await addAnswer(db, id, ids[1]!, answer('another', 'yes'));
      const hunt = await takeBack(db, id, ids[1]!, true);
      expect(
        hunt.answers.map(({ test, outcome, takenBack }) => [test, outcome, takenBack !== null]),
      ).toEqual([
        ['test0', 'no', false],
        ['test1', 'no', true],
        ['test2', 'no', false],
      ]);
      expect((await takeBack(db, id, ids[1]!, false)).answers[1]!.takenBack).toBeNull();
    });

    test('two that answer at once both are heard', async () => {
      const id = randomUUID();
      await beginHunt(db, id, BEGUN);
      await Promise.all(
        Array.from({ length: 6 }, (_, i) =>
          addAnswer(db, id, randomUUID(), answer(`t${i}`, 'yes')),
        ),
      );
      expect((await demandHunt(db, id)).answers).toHaveLength(6);
    });

    test('what began it stays; how it goes on is set', async () => {
      const id = randomUUID();
      await beginHunt(db, id, BEGUN);
      await expect(beginHunt(db, id, { ...BEGUN, symptom: 'hum' })).rejects.toThrow('another hunt');
      await setHunt(db, id, { note: 'by the window', weights: { x: 3, y: 2 } });
      await setHunt(db, id, { order: 'usual', weights: { x: null, z: 0.5 } });
      const set = await beginHunt(db, id, BEGUN);
      expect(set).toMatchObject({ symptom: 'crackle', order: 'usual', note: 'by the window' });
      expect(set.weights).toEqual({ ...BEGUN.weights, y: 2, z: 0.5 });
      expect((await setHunt(db, id, { comesAndGoes: !BEGUN.comesAndGoes })).note).toBe(set.note);
      const many = Object.fromEntries(Array.from({ length: 400 }, (_, i) => [`s${i}`, 2]));
      await expect(setHunt(db, id, { weights: many })).rejects.toThrow('at most 400');
      expect((await demandHunt(db, id)).weights).toEqual(set.weights);
      await expect(setHunt(db, randomUUID(), { note: 'x' })).rejects.toThrow('no hunt');
    });

    test('of two that end it otherwise the first is heard; the same sent twice is one', async () => {
      const id = randomUUID();
      await beginHunt(db, id, BEGUN);
      const first = await endHunt(db, id, FOUND);
      expect(await endHunt(db, id, FOUND)).toEqual(first);
      const other = { ...FOUND, finding: 'something else' };
      await expect(endHunt(db, id, other)).rejects.toThrow('ended already');
      expect((await demandHunt(db, id)).ending).toEqual(FOUND);
      await endHunt(db, id, null);
      expect((await endHunt(db, id, other)).ending).toEqual(other);
    });

    test('an answer under the id of another hunt’s is refused, not dropped', async () => {
      const [one, two, answerId] = [randomUUID(), randomUUID(), randomUUID()];
      for (const id of [one, two]) await beginHunt(db, id, BEGUN);
      await addAnswer(db, one, answerId, answer('t', 'yes'));
      await expect(addAnswer(db, two, answerId, answer('t', 'yes'))).rejects.toThrow(
        'another hunt already',
      );
    });

    test('an ended hunt takes no answers until it is taken up again, and asks Build for what it found', async () => {
      const id = randomUUID();
      await beginHunt(db, id, { ...BEGUN, rig, revision: 1 });
      const ended = await endHunt(db, id, FOUND);
      expect(ended.ending).toEqual(FOUND);
      await expect(addAnswer(db, id, randomUUID(), answer('t', 'yes'))).rejects.toThrow('ended');
      const { repairs } = await findRecords(db, rig);
      expect(repairs).toEqual([
        {
          id,
          says: FOUND.task,
          detail: FOUND.finding,
          minutes: 15,
          caution: 'Hot.',
          proof: 'Play it.',
          at: ended.endedAt,
        },
      ]);
      // Of this rig alone.
      const another = randomUUID();
      await createRig(db, another, DEMO_RIGS[1]!.rig);
      expect((await findRecords(db, another)).repairs).toEqual([]);
      await endHunt(db, id, null);
      expect((await findRecords(db, rig)).repairs).toEqual([]);
      expect((await addAnswer(db, id, randomUUID(), answer('t', 'yes'))).answers).toHaveLength(1);
    });

    test('no more answers than a backup can hold', async () => {
      const id = randomUUID();
      await beginHunt(db, id, BEGUN);
      await db.query(
        `insert into hunt_answers (id, hunt_id, nth, test, outcome, says, minutes, by_whom)
       select gen_random_uuid(), $1, n, 't', 'no', '', 1, '' from generate_series(1, 300) as n`,
        [id],
      );
      await expect(addAnswer(db, id, randomUUID(), answer('t', 'yes'))).rejects.toThrow('300');
      await db.query('delete from hunts where id = $1', [id]);
    });

    test('hunts of a rig are listed with it, not while it is off the list', async () => {
      const gone = randomUUID();
      await createRig(db, gone, DEMO_RIGS[1]!.rig);
      const id = randomUUID();
      await beginHunt(db, id, { ...BEGUN, rig: gone, revision: 1 });
      expect((await findHunts(db, gone)).map((hunt) => hunt.id)).toEqual([id]);
      await setRigDeleted(db, gone, true);
      expect((await findHunts(db)).some((hunt) => hunt.id === id)).toBe(false);
    });

    test('a backup brings all of it back; a hunt whose rig is not in it is left out', async () => {
      const parts = await partsIn(await linesIn(db));
      expect((await put(other, parts)).kind).toBe('restored');
      const kept = (database: Database) => findHunts(database);
      expect(await kept(other)).toEqual(await kept(db));
      expect(await linesIn(other)).toHaveLength((await linesIn(db)).length);
      await put(
        other,
        parts.filter(({ kind }) => kind === 'hunt' || kind === 'settings'),
      );
      expect((await kept(other)).every((hunt) => hunt.rig === null)).toBe(true);
    });
  },
);
