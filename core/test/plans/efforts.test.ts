import { cableOfClass, entered, gearItem, type GearItem } from '../../src/gear';
import { findMoves, makeMoves } from '../../src/plans';
import { NOTHING, USUAL_PRICE } from '../../src/plans/efforts';
import { findCable, mainRow, newRig } from '../../src/rig';

/// What a move costs, in money that people could check on a bill.

const RIG = newRig('six metres');
const CABLE = mainRow(RIG).cables[0]!;
const METRES = CABLE.lengthM.value;

const item = (lengthM: number, qualities: Partial<GearItem['qualities']>): GearItem => {
  const plain = gearItem(
    'gull',
    'cable',
    cableOfClass('veryLow', '', entered(lengthM), 'Gull'),
    '',
  );
  return { ...plain, qualities: { ...plain.qualities, ...qualities } };
};

const moveWith = (gear: GearItem) =>
  findMoves(RIG, [gear]).find(
    ({ action }) =>
      action.kind === 'cableKind' && action.like.gear === 'gull' && action.cables[0] === CABLE.id,
  );
const effortWith = (gear: GearItem) => moveWith(gear)!.effort;

test('off a reel: its price for each metre, and two plugs, soldered', () => {
  const effort = effortWith(item(50, { form: 'reel', price: 3 }));
  expect(effort.cost).toBe(Math.round(3 * METRES + USUAL_PRICE.plugPair));
  expect(effort).toMatchObject({ solders: true, isCostAssumed: true, buys: ['Gull'] });
});

test('made up: at its price, as long as it is, and nothing soldered', () => {
  const gear = item(METRES + 1, { form: 'madeUp', price: 30 });
  expect(effortWith(gear)).toMatchObject({ cost: 30, solders: false, isCostAssumed: false });
  const move = moveWith(gear)!;
  const made = makeMoves(RIG, [move])!;
  expect(findCable(made.rig, CABLE.id)!.lengthM.value).toBe(METRES + 1);
});

test('without a price it is at hand', () => {
  expect(effortWith(item(METRES, {}))).toMatchObject({
    cost: NOTHING.cost,
    isCostAssumed: false,
    buys: [],
  });
});

test('a piece that does not reach, or lies about in loops, is none; off a reel what there is of it', () => {
  expect(moveWith(item(METRES - 0.1, {}))).toBeUndefined();
  expect(moveWith(item(METRES * 2, {}))).toBeUndefined();
  expect(moveWith(item(METRES * 2, { form: 'reel' }))).toBeDefined();
  expect(moveWith(item(METRES - 0.1, { form: 'reel' }))).toBeUndefined();
});
