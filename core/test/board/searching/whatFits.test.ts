import fc from 'fast-check';
import { applyFollowing, decksOf, layBoard, whatFitsHere, bestOpening } from '../../../src/board';
import { roomOn } from '../../../src/board/board';
import { nearestGap } from '../../../src/board/searching/whatFits';
import { standingAt, standingsOf } from '../../../src/board/standing';
import { contains, overlapOf } from '../../../src/board/rect';
import { thingsOf } from '../../../src/board/things';
import {
  deviceOfClass,
  NO_QUALITIES,
  supplyOfClass,
  outletGroup,
  type GearItem,
} from '../../../src/gear';
import { applyEdits, insertDevice, onDeck, TURNS, type Rig } from '../../../src/rig';
import { addSupply, hang } from '../../../src/power';
import { toEnd } from '../../toEnd';
import { onBoard, place, rigOfClasses, thrownBoard } from '../randomBoard';

/// What fits at a point, against a scan of every millimetre; and where a hole would help, against trying all of them.

const GEAR = (['buffer', 'boost', 'delay'] as const).map((name, i) => ({
  id: `e${i}`,
  kind: 'device',
  thing: deviceOfClass(name, 'x1', `own ${name}`),
  note: '',
  retired: false,
  qualities: NO_QUALITIES,
  revision: 1,
})) as unknown as readonly GearItem[];

/** Whether any place in whole millimetres that covers the point has room. */
function scan(rig: Rig, id: string, at: { x: number; y: number }): boolean {
  const known = new Set(roomOn(rig).conflicts.map(({ key }) => key));
  const thing = thingsOf(rig).find((one) => one.id === id)!;
  const [deck] = decksOf(rig);
  const standings = standingsOf(rig).filter(({ layer }) => layer === 'top');
  for (const turn of TURNS)
    for (let x = Math.ceil(at.x * 1000) - 140; x <= at.x * 1000; x++)
      for (let y = Math.ceil(at.y * 1000) - 140; y <= at.y * 1000; y++) {
        const to = onDeck('b1', x / 1000, y / 1000, { turn });
        const { rect } = standingAt(thing, to, deck!);
        if (!contains(rect, at)) continue;
        if (rect.x0 < -1e-9 || rect.y0 < -1e-9 || rect.x1 > deck!.rect.x1 + 1e-9) continue;
        if (standings.some(({ rect: other }) => overlapOf(other, rect) > 0)) continue;
        const after = roomOn(applyEdits(rig, { kind: 'place', id, to }));
        if (after.conflicts.every(({ key }) => known.has(key))) return true;
      }
  return false;
}

test('what is offered is in the way of nothing and covers the point; what is not offered has no room at any millimetre', () => {
  const met = { offered: 0, refused: 0 };
  fc.assert(
    fc.property(thrownBoard, fc.nat(250), fc.nat(250), (rig, x, y) => {
      const at = { x: 0.02 + x / 1000, y: 0.02 + y / 1000 };
      const found = toEnd(whatFitsHere({ rig, gear: GEAR, at }));
      const before = new Set(layBoard(rig).conflicts.map(({ key }) => key));
      for (const { edit, place: to, gear } of found) {
        if (gear === null) continue;
        const followed = applyFollowing(rig, edit);
        if (followed.kind === 'refused') throw new Error(followed.message);
        const plan = layBoard(followed.rig);
        const fresh = plan.conflicts.filter(
          ({ key, weight }) => weight !== 'note' && !before.has(key),
        );
        expect(fresh.filter(({ kind }) => kind !== 'tooShort')).toEqual([]);
        const standing = plan.standings.find(({ placement }) => placement === to);
        expect(standing && contains(standing.rect, at)).toBe(true);
        met.offered++;
      }
      const [missed] = GEAR.filter(({ id }) => !found.some(({ gear }) => gear === id));
      if (!missed || met.refused >= 3) return;
      const brought = applyEdits(
        rig,
        insertDevice(rig, nearestGap(rig, at), missed.thing as never),
      );
      const id = `d${rig.nextIds.d}`;
      const hasRoom = scan(brought, id, at);
      // With room there may still be no way for its cables: that is looked at a dozen times.
      if (!hasRoom) met.refused++;
      expect(hasRoom && layBoard(brought).wires.length === 0).toBe(false);
    }),
    { seed: 171, numRuns: 8, endOnFailure: true },
  );
  expect(met.offered).toBeGreaterThan(4);
  expect(met.refused).toBeGreaterThan(0);
});

test('the hole that saves most is the one that saves most of all', () => {
  let rig = onBoard(rigOfClasses(['drive', 'delay']), 'plate', [0.3, 0.25]);
  rig = applyEdits(rig, place('d1', 200, 10), place('d2', 40, 10));
  const supply = { ...supplyOfClass('brick'), groups: [outletGroup(4, 9, 0.1)] };
  rig = applyEdits(rig, addSupply(rig, supply));
  rig = applyEdits(
    rig,
    place('u1', 60, 140, { isUnder: true }),
    hang(rig, 'd1', { supply: 'u1', outlet: 0 })!,
  );
  rig = applyEdits(rig, hang(rig, 'd2', { supply: 'u1', outlet: 1 })!);
  const found = toEnd(bestOpening({ rig, widthM: 0.02 }));
  expect(found).not.toBeNull();
  const sum = (one: Rig) => layBoard(one).wires.reduce((all, { madeM }) => all + (madeM ?? 0), 0);
  expect(sum(rig) - sum(applyEdits(rig, found!.edit))).toBeCloseTo(found!.savedM, 9);
  const [board] = rig.layout.boards;
  let most = 0;
  for (let x = 20; x <= 280; x += 10)
    for (let y = 20; y <= 230; y += 10) {
      const opening = {
        shape: 'round',
        xM: x / 1000,
        yM: y / 1000,
        widthM: 0.02,
        depthM: 0.02,
      } as const;
      const isCovered = layBoard(rig).standings.some(
        ({ rect }) =>
          rect.x0 < opening.xM + 0.01 - 1e-7 &&
          rect.x1 > opening.xM - 0.01 + 1e-7 &&
          rect.y0 < opening.yM + 0.01 - 1e-7 &&
          rect.y1 > opening.yM - 0.01 + 1e-7,
      );
      const isNearHole = board!.openings.some(
        ({ xM, yM }) =>
          Math.abs(xM - opening.xM) < 0.028 - 1e-7 && Math.abs(yM - opening.yM) < 0.028 - 1e-7,
      );
      if (isCovered || isNearHole) continue;
      const then = applyEdits(rig, {
        kind: 'list',
        of: 'boards',
        at: 0,
        remove: 1,
        insert: [{ ...board!, openings: [...board!.openings, opening] }],
      });
      most = Math.max(most, sum(rig) - sum(then));
    }
  expect(found!.savedM).toBeCloseTo(most, 9);
});
