import { cableOfClass, entered, gearItem, type GearItem } from '../../src/gear';
import { findMoves } from '../../src/plans';
import { NOTHING, USUAL_PRICE } from '../../src/plans/efforts';
import { mainRow, newRig } from '../../src/rig';

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

const effortWith = (gear: GearItem) =>
  findMoves(RIG, [gear]).find(
    ({ action }) =>
      action.kind === 'cableKind' && action.like.gear === 'gull' && action.cables[0] === CABLE.id,
  )!.effort;

test('off a reel: its price for each metre, and two plugs, soldered', () => {
  const effort = effortWith(item(50, { form: 'reel', price: 3 }));
  expect(effort.cost).toBe(Math.round(3 * METRES + USUAL_PRICE.plugPair));
  expect(effort).toMatchObject({ solders: true, isCostAssumed: true, buys: ['Gull'] });
});

test('made up: by its price for its own length, and nothing soldered', () => {
  const effort = effortWith(item(3, { form: 'madeUp', price: 30 }));
  expect(effort.cost).toBe(Math.round((30 / 3) * METRES));
  expect(effort.solders).toBe(false);
});

test('without a price it is at hand', () => {
  expect(effortWith(item(6, {}))).toMatchObject({
    cost: NOTHING.cost,
    isCostAssumed: false,
    buys: [],
  });
});
