import { gridOf, type Section } from '../../src/circuit';
import { cableOfClass, deviceOfClass, entered, guitarOfClass } from '../../src/gear';
import { driveWay, ResponseMeter } from '../../src/path';
import { newRig, withElectrical, type Chain } from '../../src/rig';
import {
  binsAt,
  convolve,
  differenceOf,
  impulseOf,
  impulseOfVoice,
  MOST_BOOST_DB,
  pluck,
  readWav,
  renderVoices,
  responseOf,
  SOURCES,
  THIRD_OCTAVES_HZ,
  thirdOctavesOf,
  trebleLossResponse,
  writeWav,
  type RenderQuestion,
  type Sound,
} from '../../src/sound';
import { withRowOf } from '../rig/straightRow';
import { toEnd } from '../toEnd';

const RATE = 48_000;
const sectionsOf = (chain: Chain): readonly Section[] =>
  driveWay(chain).path.sections.map(({ circuit }) => circuit);

const rigOf = (lengthM: number, more: Parameters<typeof withElectrical>[1] = {}) => {
  const rig = newRig('voice');
  const cable = { ...rig.electrical.rows[0]!.cables[0]!, lengthM: entered(lengthM) };
  return withElectrical(withRowOf(rig, [], [cable]), more);
};
const buffered = withRowOf(
  newRig('buffered'),
  [deviceOfClass('buffer', 'd1'), deviceOfClass('delay', 'd2')],
  [6, 0.3, 18].map((lengthM, i) => cableOfClass('ordinary', `l${i + 1}`, entered(lengthM))),
);
const piezo = { ...guitarOfClass('brightSingle', 'ukulele'), kind: 'piezo' as const };
const active = { ...piezo, kind: 'active' as const };

const VOICES: readonly (readonly [string, readonly Section[]])[] = [
  ['straight in', [driveWay(rigOf(6)).route.reference]],
  ['half a metre', sectionsOf(rigOf(0.5))],
  ['sixty metres', sectionsOf(rigOf(60))],
  ['buffers', sectionsOf(buffered)],
  ['a hot humbucker', sectionsOf(rigOf(6, { guitars: [guitarOfClass('hotHumbucker', 'g')] }))],
  ['a piezo', sectionsOf(rigOf(6, { guitars: [piezo] }))],
  ['active electronics', sectionsOf(rigOf(30, { guitars: [active] }))],
];

/** Level of an impulse response at any frequency, by the sum itself. */
function levelAt(taps: ArrayLike<number>, rate: number, hz: number): number {
  let [re, im] = [0, 0];
  for (let i = 0; i < taps.length; i++) {
    const angle = (2 * Math.PI * hz * i) / rate;
    re += taps[i]! * Math.cos(angle);
    im -= taps[i]! * Math.sin(angle);
  }
  return 20 * Math.log10(Math.hypot(re, im));
}

const HZ = Array.from({ length: 40 }, (_, k) => 50 * 300 ** (k / 39));

test.each(VOICES)(
  '%s: what is rendered equals the model within 0.05 dB, 50 Hz to 15 kHz',
  (_, sections) => {
    const model = new ResponseMeter(gridOf(Float64Array.from(HZ))).levels(sections);
    // An impulse rendered is what the voice does to anything.
    const click = new Float32Array(16384);
    click[100] = 1;
    const { taps } = impulseOfVoice(sections, RATE);
    expect(taps.length).toBeGreaterThanOrEqual(4096);
    const heard = toEnd(convolve(click, impulseOfVoice(sections, RATE)));
    HZ.forEach((hz, i) =>
      expect(Math.abs(levelAt(heard, RATE, hz) - model[i]!)).toBeLessThan(0.05),
    );
  },
);

test.each([8000, 44_100, 96_000])('at %d Hz, too, up to 0.45 of it', (rate) => {
  const sections = VOICES[1]![1];
  const hz = HZ.filter((f) => f < 0.45 * rate);
  const model = new ResponseMeter(gridOf(Float64Array.from(hz))).levels(sections);
  const { taps } = impulseOfVoice(sections, rate);
  hz.forEach((f, i) => expect(Math.abs(levelAt(taps, rate, f) - model[i]!)).toBeLessThan(0.05));
});

test('the convolution is the sum, its delay taken off', () => {
  const samples = Float32Array.from({ length: 40_000 }, (_, i) => Math.sin(i * i * 1e-4));
  const impulse = impulseOfVoice(VOICES[1]![1], RATE);
  const fast = toEnd(convolve(samples, impulse));
  for (const at of [0, 5000, 20_000, 39_999]) {
    let slow = 0;
    impulse.taps.forEach((tap, k) => (slow += tap * (samples[at + impulse.delay - k] ?? 0)));
    expect(fast[at]!).toBeCloseTo(slow, 5);
  }
});

test('a difference is the one response over the other, and lifts at most 18 dB', () => {
  const [short, long] = [VOICES[1]![1], VOICES[2]![1]];
  const down = differenceOf(short, long, RATE);
  expect(down.cappedFromHz).toBeNull();
  const [a, b] = [responseOf(short, RATE), responseOf(long, RATE)];
  const k = 2 * 1000;
  expect(Math.hypot(down.response[k]!, down.response[k + 1]!)).toBeCloseTo(
    Math.hypot(b[k]!, b[k + 1]!) / Math.hypot(a[k]!, a[k + 1]!),
    9,
  );
  const up = differenceOf(long, short, RATE);
  expect(up.cappedFromHz).toBeGreaterThan(1000);
  const most = Math.max(
    ...Array.from(binsAt(RATE).frequencyHz, (_, i) =>
      Math.hypot(up.response[2 * i]!, up.response[2 * i + 1]!),
    ),
  );
  expect(20 * Math.log10(most)).toBeCloseTo(MOST_BOOST_DB, 6);
});

test('a treble loss takes so many dB off T and nothing off 400 Hz', () => {
  const impulse = impulseOf(trebleLossResponse(3, RATE), RATE);
  const levels = Array.from({ length: 97 }, (_, k) =>
    levelAt(impulse.taps, RATE, 2000 * 2 ** (k / 48)),
  );
  expect(levels.reduce((sum, db) => sum + db, 0) / 97).toBeCloseTo(-3, 1);
  expect(levelAt(impulse.taps, RATE, 400)).toBeCloseTo(0, 2);
});

const question = (change: Partial<RenderQuestion['options']>): RenderQuestion => ({
  source: { kind: 'simulated', play: 'arpeggio', seconds: 2 },
  voices: [
    { id: 'short', sections: VOICES[1]![1] },
    { id: 'long', sections: VOICES[2]![1] },
  ],
  options: { isMatched: true, speaker: false, clipper: false, ...change },
});

const rms = (samples: Float32Array) =>
  Math.sqrt(samples.reduce((sum, value) => sum + value * value, 0) / samples.length);

test.each([{}, { speaker: true }, { speaker: true, clipper: true }])(
  'level-matched within 0.1 dB, never louder than −6 dB: %o',
  (change) => {
    const { voices } = toEnd(renderVoices(question(change)));
    const [one, other] = voices.map(({ samples }) => 20 * Math.log10(rms(samples)));
    expect(Math.abs(one! - other!)).toBeLessThan(0.1);
    for (const { samples } of voices)
      expect(samples.every((value) => Math.abs(value) <= 0.5 + 1e-6)).toBe(true);
  },
);

test('as they are, their levels differ as the model says', () => {
  const { voices } = toEnd(renderVoices(question({ isMatched: false })));
  const band = THIRD_OCTAVES_HZ.findIndex((hz) => hz > 390 && hz < 410);
  const [one, other] = voices.map(({ thirdOctavesDb }) => thirdOctavesDb[band]!);
  const model = new ResponseMeter(gridOf(Float64Array.of(400)));
  const [a, b] = [VOICES[1]![1], VOICES[2]![1]].map((sections) => model.levels(sections)[0]!);
  expect(Math.abs(one! - other! - (a! - b!))).toBeLessThan(0.3);
});

test('one’s own sound gets the difference from what it went through', () => {
  const samples = toEnd(pluck('notes', 1, RATE));
  const through = VOICES[2]![1];
  const own = { kind: 'own', id: 'mine', sound: { samples, rate: RATE }, through } as const;
  const { voices } = toEnd(
    renderVoices({
      ...question({ isMatched: false }),
      source: own,
      voices: [{ id: 'same', sections: through }],
    }),
  );
  // The same chain again is no difference at all.
  const scale = Math.max(...samples) / Math.max(...voices[0]!.samples);
  voices[0]!.samples.forEach((value, i) => {
    if (i % 997 === 0) expect(value * scale).toBeCloseTo(samples[i]!, 3);
  });
});

test.each(SOURCES)(
  '%s: sounds up to the top, the same every time, no sample beyond a half',
  (kind) => {
    const samples = toEnd(pluck(kind, 2, RATE));
    expect(samples).toHaveLength(2 * RATE);
    expect(Math.max(...samples.map(Math.abs))).toBeCloseTo(0.5, 6);
    expect(samples).toEqual(toEnd(pluck(kind, 2, RATE)));
    const bands = thirdOctavesOf(samples, RATE);
    const at = (hz: number) =>
      bands[THIRD_OCTAVES_HZ.findIndex((f) => Math.abs(f / hz - 1) < 0.1)]!;
    expect(at(2500)).toBeGreaterThan(-75);
  },
);

test('a full sine is at −3 dB in its third octave and 40 dB lower two bands on', () => {
  const hz = THIRD_OCTAVES_HZ[13]!;
  const samples = Float32Array.from({ length: RATE }, (_, i) =>
    Math.sin((2 * Math.PI * hz * i) / RATE),
  );
  const bands = thirdOctavesOf(samples, RATE);
  expect(bands[13]!).toBeCloseTo(-3.01, 1);
  expect(bands[15]!).toBeLessThan(-43);
});

describe('WAV', () => {
  const sound: Sound = { samples: toEnd(pluck('notes', 0.5, 44_100)), rate: 44_100 };

  test('what was written is read back, to the last of 24 bits', () => {
    const read = readWav(writeWav(sound));
    if (read.kind !== 'ok') throw new Error(read.message);
    expect(read.sound.rate).toBe(44_100);
    expect(read.sound.samples).toHaveLength(sound.samples.length);
    read.sound.samples.forEach((value, i) =>
      expect(Math.abs(value - sound.samples[i]!)).toBeLessThan(2 ** -23 + 1e-9),
    );
  });

  test('beyond full scale is held there, not turned over', () => {
    const read = readWav(writeWav({ samples: Float32Array.of(2, -2, 0), rate: 8000 }));
    if (read.kind !== 'ok') throw new Error(read.message);
    expect([...read.sound.samples].map((value) => Math.round(value))).toEqual([1, -1, 0]);
  });

  test('what is none, or of another rate, is refused in words', () => {
    expect(readWav(new TextEncoder().encode('RIFF no sound at all'))).toMatchObject({
      kind: 'refused',
    });
    const slow = readWav(writeWav({ samples: Float32Array.of(0, 0.1), rate: 4000 }));
    expect(slow).toMatchObject({
      kind: 'refused',
      message: expect.stringContaining('4000 Hz') as string,
    });
    expect(readWav(writeWav({ samples: new Float32Array(0), rate: 8000 }))).toMatchObject({
      kind: 'refused',
    });
  });
});
