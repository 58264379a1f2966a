import { analyseRig, analyseStates, switchesOf } from '../../src/figures';
import {
  deviceOfClass,
  destinationOfKind,
  entered,
  type Device,
  type DeviceClass,
} from '../../src/gear';
import { adviseRig, judgeRig, type Judgement, type JudgementKind } from '../../src/judgements';
import {
  applyEdits,
  insertDevice,
  mainRow,
  newRig,
  setCableLength,
  type ApproachKind,
  type Rig,
  withElectrical,
} from '../../src/rig';
import { Evaluator } from '../../src/plans';
import { formatSignedDb } from '../../src/quantity';
import { fitPickupSimulator, removePickupSimulator } from '../../src/tools';
import { switchedTo, withDestination, withDevices, withGuitar } from '../rig/straightRow';

/// Each judgement in a rig that deserves it, and absent from one that does not.

interface Box {
  readonly name: DeviceClass;
  readonly more?: Partial<Device>;
}

function row(boxes: readonly (DeviceClass | Box)[], approach: ApproachKind = 'clear'): Rig {
  const start: Rig = withElectrical(newRig('row'), {
    approach: { ...newRig('').electrical.approach, kind: approach },
  });
  return boxes.reduce<Rig>((rig, box) => {
    const { name, more } = typeof box === 'string' ? { name: box, more: {} } : box;
    const device = { ...deviceOfClass(name, '', name), ...more };
    return applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, device));
  }, start);
}

function judge(rig: Rig): readonly Judgement[] {
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  const states = analyseStates(rig, switchesOf(rig));
  return judgeRig(rig, mainRow(rig).id, analysis, states, 'metric');
}

const find = (rig: Rig, kind: JudgementKind) => judge(rig).find((found) => found.kind === kind);
const numberOf = (found: Judgement | undefined, what: string) =>
  found?.numbers.find(([name]) => name === what)?.[1];

describe('low-impedance fuzz', () => {
  test('wants the pickup itself: a buffer before it is a warning that names both impedances', () => {
    const found = find(row(['buffer', 'lowImpedanceFuzz']), 'fuzzWantsPickup');
    expect(found).toMatchObject({ weight: 'warning', when: 'whenever the fuzz is on' });
    expect(numberOf(found, 'buffer gives from')).toBe('150\u00a0Ω');
    expect(numberOf(found, 'the guitar, at 1 kHz')).toMatch(/kΩ$/u);
    expect(find(row(['lowImpedanceFuzz', 'buffer']), 'fuzzWantsPickup')).toBeUndefined();
  });

  test('with a pickup simulator ahead of it, it is only noted', () => {
    const rig = row(['buffer', 'lowImpedanceFuzz']);
    const fitted = applyEdits(rig, fitPickupSimulator(rig, 'd2')!);
    expect(find(fitted, 'fuzzWantsPickup')).toMatchObject({
      weight: 'note',
      title: 'lowImpedanceFuzz is fed by buffer through a pickup simulator',
    });
    expect(applyEdits(fitted, removePickupSimulator(fitted, 'd2')!)).toEqual(rig);
  });

  test('a buffered bypass in front counts only while it is off, a drive of 5 kΩ while it is on', () => {
    const found = judge(row(['delay', 'lowImpedanceFuzz'])).filter(
      ({ kind }) => kind === 'fuzzWantsPickup',
    );
    expect(found.map(({ when }) => when).sort()).toEqual([
      'with delay off: its bypass is buffered',
      'with delay on',
    ]);
  });

  test('a wah straight into it is named with the level lost between them', () => {
    const found = find(row(['wah', 'lowImpedanceFuzz']), 'wahIntoFuzz');
    expect(found).toMatchObject({ weight: 'warning' });
    expect(numberOf(found, 'level lost between')).toBe('−7.0 dB');
    expect(find(row(['lowImpedanceFuzz', 'wah']), 'wahIntoFuzz')).toBeUndefined();
  });

  test('conflicting rules: the buffer between wah and fuzz is the exception', () => {
    const rig = row(['wah', 'buffer', 'lowImpedanceFuzz']);
    expect(find(rig, 'wahIntoFuzz')).toBeUndefined();
    expect(find(rig, 'fuzzWantsPickup')).toBeUndefined();
    expect(find(rig, 'bufferForWah')).toMatchObject({ weight: 'note' });
  });
});

test('a hardwired bypass at the pickup costs treble and level; after a buffer it is left alone', () => {
  const found = find(row(['wah']), 'hardwiredBypass');
  expect(found).toMatchObject({ weight: 'warning', spot: { id: 'd1' } });
  expect(numberOf(found, 'treble it takes')).toMatch(/^−/u);
  expect(numberOf(found, 'level it takes')).toMatch(/^−/u);
  expect(find(row(['buffer', 'wah']), 'hardwiredBypass')).toBeUndefined();
});

test('a volume’s track has to fit what drives it', () => {
  const pot = (potOhm: number): Box => ({
    name: 'passiveVolume',
    more: { pot: { ...deviceOfClass('passiveVolume', '').pot!, potOhm: entered(potOhm) } },
  });
  expect(find(row([pot(25e3)]), 'potTooSmall')).toMatchObject({ weight: 'warning' });
  expect(find(row([pot(250e3)]), 'potTooSmall')).toBeUndefined();
  const large = find(row(['buffer', pot(250e3)]), 'potTooLarge');
  expect(numberOf(large, 'its output reaches')).toBe('62.5\u00a0kΩ');
  expect(numberOf(large, 'half down, treble')).toMatch(/^−/u);
  expect(find(row(['buffer', pot(25e3)]), 'potTooLarge')).toBeUndefined();
});

test('what a volume costs, and how it dulls half down, are what the model gives', () => {
  const half = deviceOfClass('passiveVolume', '').pot!;
  const at = (travel: number) => {
    const pot = { ...half, travel: entered(travel), midFraction: entered(0.5) };
    const rig = row(['preamp', { name: 'passiveVolume', more: { pot } }]);
    return applyEdits(rig, setCableLength(mainRow(rig).cables.at(-1)!.id, 30));
  };
  const treble = (rig: Rig) => {
    const analysis = analyseRig(rig);
    return analysis.kind === 'sounding' ? analysis.absoluteTrebleDb : NaN;
  };
  const found = find(at(1), 'potTooLarge');
  expect(numberOf(found, 'half down, treble')).toBe(
    `${formatSignedDb(treble(at(0.5)) - treble(at(1)), 2)} dB`,
  );
  const analysis = analyseRig(at(1));
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  const cost = analysis.lossByPart.find(({ stop }) => analysis.stops[stop]!.spot.id === 'd2')!;
  expect(numberOf(found, 'full up it takes')).toBe(`${formatSignedDb(-cost.gain.trebleDb, 2)} dB`);
});

test('what gives from just 10 kΩ is low to a fuzz, to advice and to plans alike; above, to neither', () => {
  const before = (rOutOhm: number) =>
    row([
      {
        name: 'delay',
        more: {
          off: { ...deviceOfClass('delay', '').off, rOutOhm: entered(rOutOhm) },
          on: { ...deviceOfClass('delay', '').on, rOutOhm: entered(rOutOhm) },
        },
      },
      'lowImpedanceFuzz',
    ]);
  for (const [rOutOhm, isLow] of [
    [10_000, true],
    [10_001, false],
  ] as const) {
    expect(find(before(rOutOhm), 'fuzzWantsPickup') !== undefined).toBe(isLow);
    expect(new Evaluator().score(before(rOutOhm)).terms.rules).toBe(Number(isLow));
  }
});

test('a buffer is judged by what it does here', () => {
  const on = deviceOfClass('buffer', '').on;
  const poor = { ...on, rInOhm: entered(220e3), rOutOhm: entered(4700), gainDb: entered(-0.8) };
  const found = find(row([{ name: 'buffer', more: { on: poor } }]), 'poorBuffer');
  expect(found).toBeDefined();
  expect(numberOf(found, 'level, with its gain')).toMatch(/^−/u);
  expect(find(row(['buffer']), 'poorBuffer')).toBeUndefined();
});

test('many in a row, and under one good buffer the second one', () => {
  expect(find(row(['delay', 'delay', 'delay', 'delay']), 'manyBuffers')).toBeDefined();
  expect(find(row(['buffer', 'delay']), 'manyBuffers')).toBeUndefined();
  expect(find(row(['buffer', 'delay'], 'oneBuffer'), 'manyBuffers')).toMatchObject({
    approaches: ['oneBuffer'],
  });
});

test('a buffer that comes too late, except where no buffer is wanted', () => {
  const late = (approach: ApproachKind) => {
    const rig = row(['drive', 'drive', 'drive', 'drive', 'buffer'], approach);
    return applyEdits(rig, setCableLength('l1', 12));
  };
  const found = find(late('clear'), 'lateBuffer');
  expect(found).toMatchObject({ weight: 'warning', spot: { id: 'd5' } });
  expect(numberOf(found, 'boost at 4–8 kHz instead')).toMatch(/^\+/u);
  expect(find(late('shaped'), 'lateBuffer')).toBeUndefined();
  expect(find(applyEdits(row(['buffer']), setCableLength('l1', 3)), 'lateBuffer')).toBeUndefined();
});

test('bookends wants a low impedance at the end in every state', () => {
  expect(find(row(['buffer', 'drive'], 'bookends'), 'weakEnd')).toMatchObject({ weight: 'note' });
  expect(find(row(['drive', 'buffer'], 'bookends'), 'weakEnd')).toBeUndefined();
  expect(find(row(['buffer', 'drive']), 'weakEnd')).toBeUndefined();
  // What it would bring is what the same box brings with the output of a buffer.
  const weak = switchedTo(row(['buffer', 'drive'], 'bookends'), { d2: true });
  const long = applyEdits(weak, setCableLength(mainRow(weak).cables[2]!.id, 30));
  const strong = withDevices(long, (device) => ({
    ...device,
    on: { ...device.on, rOutOhm: entered(150) },
  }));
  const treble = (rig: Rig) => {
    const analysis = analyseRig(rig);
    if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
    return analysis.figures.trebleDb;
  };
  const said = numberOf(find(long, 'weakEnd'), 'a buffer there, as it stands')!;
  expect(Number(said.replace(' dB', ''))).toBeCloseTo(treble(strong) - treble(long), 1);
});

test('steady minds the spread, shaped the resonance', () => {
  const board = ['drive', 'drive', 'drive'] as const;
  expect(find(row(board, 'steady'), 'spread')).toMatchObject({ weight: 'warning' });
  expect(find(row(['buffer', ...board], 'steady'), 'spread')).toBeUndefined();
  const shaped = { ...row([], 'shaped') };
  expect(find(shaped, 'resonance')).toBeDefined();
  const wanted = analyseRig(shaped);
  if (wanted.kind !== 'sounding' || wanted.resonance.kind !== 'resonance') throw new Error('none');
  const met = withElectrical(shaped, {
    approach: { kind: 'shaped', wantedHz: entered(wanted.resonance.frequencyHz) },
  });
  expect(find(met, 'resonance')).toBeUndefined();
  expect(find(row([]), 'resonance')).toBeUndefined();
});

test('a resonance too high is brought down by more cable, one too low up by less', () => {
  const rig = row([], 'shaped');
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding' || analysis.resonance.kind !== 'resonance')
    throw new Error('no resonance');
  const { frequencyHz } = analysis.resonance;
  const wanting = (wantedHz: number) =>
    find(
      withElectrical(rig, { approach: { kind: 'shaped', wantedHz: entered(wantedHz) } }),
      'resonance',
    )!;
  expect(wanting(frequencyHz / 1.3).reason).toMatch(/too high: a longer cable/u);
  expect(numberOf(wanting(frequencyHz / 1.3), 'apart')).toMatch(/^\+4\.5/u);
  expect(wanting(frequencyHz * 1.3).reason).toMatch(/too low: a shorter cable/u);
});

test('a piezo wants megohms, a DI the source that it is made for', () => {
  const piezo = withGuitar(newRig('ukulele'), { kind: 'piezo' });
  expect(find(piezo, 'piezoLoad')).toMatchObject({ weight: 'warning' });
  const good = withDestination(piezo, { input: 'plain', rInOhm: entered(10e6) });
  expect(find(good, 'piezoLoad')).toBeUndefined();
  const iron = { ...destinationOfKind('passiveDi', 'iron') };
  const found = find(withDestination(newRig('di'), iron), 'wrongDi');
  expect(numberOf(found, 'level it takes')).toMatch(/^−/u);
  expect(numberOf(found, 'treble it takes')).toMatch(/^−/u);
  expect(find(withDestination(row(['buffer']), iron), 'wrongDi')).toBeUndefined();
  expect(
    find(withDestination(newRig('di'), destinationOfKind('activeDi', 'box')), 'wrongDi'),
  ).toBeUndefined();
});

test('a long unbalanced cable to a mixer', () => {
  const mixer = destinationOfKind('mixer', 'desk');
  const rig = withDestination(row(['buffer']), mixer);
  expect(find(applyEdits(rig, setCableLength('l2', 12)), 'longUnbalanced')).toBeDefined();
  expect(find(rig, 'longUnbalanced')).toBeUndefined();
});

test('it’s fine is a judgement too, said with its figures, and warnings come before it', () => {
  const right = applyEdits(row(['buffer']), setCableLength('l1', 3));
  expect(judge(right).map(({ kind }) => kind)).toEqual(['fine']);
  expect(judge(right)[0]!.numbers).toHaveLength(2);
  const weights = judge(row(['wah', 'lowImpedanceFuzz'])).map(({ weight }) => weight);
  expect([...weights].sort((a, b) => (a === b ? 0 : a === 'warning' ? -1 : 1))).toEqual(weights);
});

test('every judgement has a key of its own, a reason, numbers and says when it applies', () => {
  const rig = switchedTo(
    row(['wah', 'delay', 'lowImpedanceFuzz', 'passiveVolume', 'delay', 'delay', 'delay']),
    {
      d4: false,
    },
  );
  const all = judge(rig);
  expect(new Set(all.map(({ key }) => key)).size).toBe(all.length);
  for (const { reason, numbers, when, title } of all) {
    expect(reason.length).toBeGreaterThan(30);
    expect(numbers.length).toBeGreaterThan(0);
    expect(when).not.toBe('');
    expect(title).not.toMatch(/undefined|NaN/u);
    for (const [, value] of numbers) expect(value).not.toMatch(/undefined|NaN|Infinity/u);
  }
});

test('a loss that is plain can be turned up at the amp, and its hiss comes with it', () => {
  const empty = newRig('long');
  const rig = applyEdits(
    applyEdits(empty, insertDevice(empty, 0, deviceOfClass('drive', ''))),
    setCableLength('l1', 15),
  );
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding') throw new Error('it sounds');
  const said = (now: typeof rig) =>
    adviseRig(now, [], 'metric').judgements.find(({ kind }) => kind === 'turnUp');
  const presence = `+${(-analysis.figures.trebleHighDb).toFixed(1)} dB`;
  expect(said(rig)?.numbers).toEqual(
    expect.arrayContaining([
      ['presence up, 4–8 kHz', presence],
      ['hiss up, at most', presence],
    ]),
  );
  expect(said(applyEdits(rig, setCableLength('l1', 1)))).toBeUndefined();
});
