import { measureRig } from '../../src/figures';
import { deviceOfClass, entered } from '../../src/gear';
import { applyEdits, insertDevice, mainRow, newRig, setCableLength, type Rig } from '../../src/rig';
import { assumptionsThatMatter } from '../../src/tolerance';
import { cablesOf, withGuitar, withCables } from '../rig/straightRow';

const wayOf = (chain: Rig) => ({ chain, rowId: mainRow(chain).id });
const treble = (rig: Rig): number => {
  const measured = measureRig(rig);
  return measured.kind === 'sounding' ? measured.figures.trebleDb : NaN;
};
const board = (): Rig => {
  const rig = applyEdits(newRig('board'), setCableLength('l1', 6));
  return applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', '', 'Drive')));
};

test('each is taken to both ends of its range by itself, the one that moves treble most first', () => {
  const rig = board();
  const found = assumptionsThatMatter(wayOf(rig), 50);
  const swings = found.map(({ lowDb, highDb }) => Math.max(Math.abs(lowDb), Math.abs(highDb)));
  expect(swings).toEqual([...swings].sort((a, b) => b - a));
  const coil = found.find(({ path }) => path === 'lH')!;
  const guitar = rig.electrical.guitars[0]!;
  const at = (factor: number) =>
    treble(withGuitar(rig, { lH: entered(guitar.lH.value * factor) })) - treble(rig);
  expect(coil.highDb).toBeCloseTo(at(1.4), 6);
  expect(coil.lowDb).toBeCloseTo(at(1 / 1.4), 6);
});

test('what is known does not count, and cables off one reel move together', () => {
  const rig = board();
  const reel = assumptionsThatMatter(wayOf(rig), 50).find(({ path }) => path === 'cPerMF')!;
  expect(reel.parts.map(({ id }) => id)).toEqual(cablesOf(rig).map(({ id }) => id));
  const both = withCables(rig, (cable) => ({
    ...cable,
    cPerMF: entered(cable.cPerMF.value * 1.4),
  }));
  expect(reel.highDb).toBeCloseTo(treble(both) - treble(rig), 6);
  const known = withCables(rig, (cable) => ({ ...cable, cPerMF: entered(cable.cPerMF.value) }));
  expect(assumptionsThatMatter(wayOf(known), 50).some(({ path }) => path === 'cPerMF')).toBe(false);
});

test('five unless more are asked for; none where nothing is heard', () => {
  expect(assumptionsThatMatter(wayOf(board()))).toHaveLength(5);
  const muted = applyEdits(newRig('muted'), {
    kind: 'connect',
    row: 'r1',
    at: 0,
    cable: null,
  });
  expect(assumptionsThatMatter(wayOf(muted))).toEqual([]);
});
