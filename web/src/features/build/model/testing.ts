import {
  findingOf,
  formatQuantity,
  parseQuantity,
  type BuildCable,
  type Cable,
  type CableTest,
  type TestFinding,
} from '@gullwind/core';
import isEqual from 'fast-deep-equal';

/// What is being found of a cable on the meter, and what is kept of it.

export type Tried =
  'tipThrough' | 'sleeveThrough' | 'ringThrough' | 'silentPlugs' | 'pull' | 'wiggle';

export const AUDIO: readonly (readonly [Tried, string])[] = [
  ['tipThrough', 'Tip to tip through'],
  ['sleeveThrough', 'Sleeve to sleeve through'],
  ['ringThrough', 'Ring, where there is one'],
  ['silentPlugs', 'Silent plugs, where they are'],
  ['pull', 'Holds when pulled'],
  ['wiggle', 'Quiet when moved'],
];

export const OTHER: readonly (readonly [Tried, string])[] = [
  ['tipThrough', 'Middle to middle through'],
  ['sleeveThrough', 'Outside to outside through'],
  ['pull', 'Holds when pulled'],
  ['wiggle', 'Holds when moved'],
];

export const NOTHING_TRIED: Record<Tried, boolean | null> = {
  tipThrough: null,
  sleeveThrough: null,
  ringThrough: null,
  silentPlugs: null,
  pull: null,
  wiggle: null,
};

export interface Typed {
  readonly leak: string;
  readonly reading: string;
  readonly by: string;
}

export const NOTHING_TYPED: Typed = { leak: '', reading: '', by: '' };

/** All that is being found of a cable. */
export interface Found {
  readonly tried: Readonly<Record<Tried, boolean | null>>;
  readonly typed: Typed;
}

export const NOTHING_FOUND: Found = { tried: NOTHING_TRIED, typed: NOTHING_TYPED };

/** For the next test, by the same hand. */
export const foundNext = ({ typed: { by } }: Found): Found => ({
  tried: NOTHING_TRIED,
  typed: { ...NOTHING_TYPED, by },
});

/** What is found once a test was refused: the test again, unless another was begun meanwhile. */
export const foundAgain = (now: Found, refused: Found): Found =>
  isEqual(now, foundNext(refused)) ? refused : now;

/** What was typed as a number, or why it is none; nothing typed is not tried. */
interface Read {
  readonly value: number | null;
  readonly message: string | null;
}

const LEAK = { label: 'Tip to sleeve', quantity: 'resistance', most: 1e12 } as const;
const READING = { label: 'Reading', quantity: 'capacitance', most: 1e-6 } as const;

function readTyped({ label, quantity, most }: typeof LEAK | typeof READING, text: string): Read {
  if (text.trim() === '') return { value: null, message: null };
  const read = parseQuantity(text, quantity, 'metric');
  const say = (value: number) => formatQuantity(value, quantity, 'metric');
  if (read.kind !== 'ok') return { value: null, message: `${label}: ${read.message}` };
  return read.si >= 0 && read.si <= most
    ? { value: read.si, message: null }
    : { value: null, message: `${label}: ${say(read.si)} is not between 0 and ${say(most)}.` };
}

export interface TestNow {
  readonly leak: Read;
  readonly reading: Read;
  readonly test: Omit<CableTest, 'id' | 'at'>;
  readonly finding: TestFinding;
  /** What was typed can be read. */
  readonly isReadable: boolean;
}

interface Tested extends Found {
  readonly cable: BuildCable;
  /** The cable of the chain; null where it carries something else. */
  readonly audio: Cable | null;
  readonly revision: number;
}

const LONGEST_FINGERPRINT = 400;

/** A test as it would be kept now, of the cable as it is made. */
export function testNow({ cable, audio, revision, tried, typed }: Tested): TestNow {
  const [leak, reading] = [readTyped(LEAK, typed.leak), readTyped(READING, typed.reading)];
  const test = {
    ...tried,
    cable: cable.id,
    label: cable.label,
    revision: Math.max(1, revision),
    fingerprint: cable.fingerprint.slice(0, LONGEST_FINGERPRINT),
    lengthM: cable.lengthM,
    leakOhm: leak.value,
    capacitanceF: reading.value,
    by: typed.by.trim(),
    note: '',
  };
  const isReadable = leak.message === null && reading.message === null;
  return { leak, reading, test, finding: findingOf(test, audio), isReadable };
}

export const sayKeep = ({ isPassed }: TestFinding): string => {
  if (isPassed === null) return 'Keep what was tried';
  return isPassed ? 'Keep: it is right' : 'Keep: it is not right';
};

/** A step of testing is done by a test of its cable that found all of it right. */
export const isDoneBy = ({ isPassed }: TestFinding): boolean => isPassed === true;
