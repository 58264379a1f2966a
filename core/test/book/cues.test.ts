import { awayListOf, cueSheetOf, walkThings, walkedCount } from '../../src/book';
import { deviceOfClass, entered, guitarOfClass, supplyOfClass, typicalBody } from '../../src/gear';
import { addSupply } from '../../src/power';
import {
  addGuitar,
  addSong,
  applyEdits,
  changeSong,
  freshId,
  keepScene,
  linkSwitch,
  setCaseMass,
  toggleSwitch,
  walk,
  type Edit,
  type Rig,
} from '../../src/rig';
import { laidOut } from '../build/laidOut';

/** Six pedals on a board, two scenes and a song for each. */
function evening(
  change: (rig: Rig) => Rig = (rig) => rig,
  pressed: readonly string[] = ['d1', 'd3', 'd6'],
): Rig {
  let rig = change(laidOut(6));
  const put = (edit: Edit): void => {
    rig = applyEdits(rig, edit);
  };
  put(keepScene(rig, 'clean'));
  for (const id of pressed) put(toggleSwitch(rig, id));
  put(keepScene(rig, 'loud'));
  for (const title of ['One', 'Two', 'Three']) put(addSong(rig, title));
  put(changeSong(rig, 'c1', { scene: 's1', guitar: 'g1' }));
  put(changeSong(rig, 'c2', { scene: 's2' }));
  put(changeSong(rig, 'c3', { scene: 's1' }));
  return rig;
}

test('between two songs every switch that stands otherwise is pressed, by the shortest way', () => {
  const { cues, presses } = cueSheetOf(evening());
  expect(cues.map((cue) => cue.presses.length)).toEqual([0, 3, 3]);
  expect(presses).toBe(6);
  // Past the middle one, not to it last: any other order is longer.
  expect(['Pedal 3']).toContain(cues[1]!.presses[1]);
  expect(cues[1]!.travelM).toBeCloseTo(cues[2]!.travelM!, 9);
  expect(cues[1]!.travelM).toBeGreaterThan(0.05);
});

test('switches that act together are one press', () => {
  const linked = (rig: Rig) => applyEdits(rig, linkSwitch(rig, 'd1', 'd3'));
  const { cues } = cueSheetOf(evening(linked, ['d1', 'd6']));
  expect(cues.map((cue) => cue.presses.length)).toEqual([0, 2, 2]);
  expect(cueSheetOf(evening((rig) => rig, ['d1', 'd3', 'd6'])).presses).toBe(6);
});

test('a switcher would make one press of each; a rig that has one saves nothing', () => {
  const sheet = cueSheetOf(evening());
  expect(sheet.switcher).toEqual({ presses: 4, travelM: sheet.travelM });
  const one = evening();
  const quiet = applyEdits(one, changeSong(one, 'c2', { scene: 's1' }));
  expect(cueSheetOf(quiet).switcher).toBeNull();
});

test('a guitar is changed in silence where something mutes, and with a word where nothing does', () => {
  const two = (rig: Rig) =>
    applyEdits(rig, addGuitar(rig, guitarOfClass('bassSingle', 'Storm guitar')));
  const rig = evening(two);
  const changing = applyEdits(rig, changeSong(rig, 'c2', { guitar: 'g2' }));
  const plain = cueSheetOf(changing);
  expect(plain.kill).toBeNull();
  expect(plain.cues.map(({ isChange }) => isChange)).toEqual([false, true, false]);
  const [row, ...rows] = changing.electrical.rows;
  const tuner = { ...deviceOfClass('tuner', freshId(changing, 'd'), 'Plumb Line') };
  const muted: Rig = {
    ...changing,
    electrical: {
      ...changing.electrical,
      rows: [
        { ...row!, devices: [tuner, ...row!.devices], cables: [null, ...row!.cables] },
        ...rows,
      ],
    },
  };
  const sheet = cueSheetOf(muted);
  expect(sheet.kill).toBe('Plumb Line');
  // Down, all else, and up again.
  expect(sheet.cues[1]!.presses.filter((name) => name === 'Plumb Line')).toHaveLength(2);
  expect(sheet.cues[1]!.travelM).toBeNull();
});

test('what a song names and the rig does not have any more is said', () => {
  const rig = evening();
  const gone = {
    ...rig,
    electrical: { ...rig.electrical, scenes: rig.electrical.scenes.slice(1) },
  };
  expect(cueSheetOf(gone).cues[0]!.missing).toEqual(['its scene']);
});

test('what flies is the sum of what there is, and what nobody weighed is told apart', () => {
  const rig = laidOut(2);
  const device = rig.electrical.rows[0]!.devices[0]!;
  const body = { ...typicalBody(device), massKg: entered(0.5) };
  const weighed = applyEdits(rig, {
    kind: 'replace',
    part: { of: 'device', to: { ...device, body } },
  });
  const cased = applyEdits(weighed, setCaseMass(entered(7)));
  const { items, totalKg, assumedKg, supplies } = awayListOf(
    applyEdits(cased, addSupply(cased, supplyOfClass('battery'))),
  );
  expect(totalKg).toBeCloseTo(
    items.reduce((sum, { massKg }) => sum + massKg.value, 0),
    9,
  );
  expect(totalKg - assumedKg).toBeCloseTo(7.5, 9);
  expect(supplies).toEqual([{ name: 'supply', outletV: [9] }]);
  expect(typicalBody(device).massKg.from).toBe('assumed');
});

test('ten things are walked through, each with its day', () => {
  const rig = laidOut(3);
  expect(walkThings(rig)).toHaveLength(10);
  expect(new Set(walkThings(rig).map(({ id }) => id)).size).toBe(10);
  const done = applyEdits(rig, walk(rig, 'mute', '2026-11-27'));
  expect(walkedCount(done)).toBe(1);
  expect(walkedCount(applyEdits(done, walk(done, 'mute', null)))).toBe(0);
});
