import { heardIn, type Setup } from '../setup';
import type { TraceSuspect } from '../suspects';
import { SYMPTOM_WORDS, type Symptom } from '../symptom';
import { allParts, type TraceWay } from '../way';

/// One thing that can be tried.

/** In the usual order of the trade. */
export const TEST_KINDS = [
  'knobs',
  'ampAlone',
  'closedCable',
  'straightIn',
  'guitarAtZero',
  'turn',
  'lamps',
  'radios',
  'intoPart',
  'fromPart',
  'allOff',
  'switchOff',
  'wiggle',
  'swapCable',
  'battery',
  'fedAlone',
  'meterPower',
  'meterCable',
  'loopOut',
  'sideOut',
  'isolate',
  'layApart',
  'otherCircuit',
  'moveAmp',
] as const;
export type TestKind = (typeof TEST_KINDS)[number];

export interface TraceTest {
  /** Its kind, and what it is done to. */
  readonly id: string;
  readonly kind: TestKind;
  readonly minutes: number;
  /** What is done, in the second person. */
  readonly does: string;
  /** What to hold in which hand, or where to stand. */
  readonly hold: string;
  /** What is answered by yes or no. */
  readonly asks: string;
  readonly caution: string;
  /** Which part on the drawing it is about; null is none. */
  readonly at: string | null;
  /** How likely "yes" is if a suspect is the cause, 0 to 1. */
  readonly yesIf: (suspect: TraceSuspect) => number;
}

export const CLOSE_AMP = 'Turn the amp down before any plug is moved.';
export const NOT_INSIDE = 'Nothing is opened: mains and tube voltages kill, also unplugged.';

/** What is tried, of what. */
export interface Trying {
  readonly way: TraceWay;
  readonly symptom: Symptom;
  readonly isNoise: boolean;
  /** The id of the guitar. */
  readonly guitar: string;
  /** Ids of what is in the amp's loop. */
  readonly inLoop: readonly string[];
}

export type Draft = Pick<TraceTest, 'kind' | 'minutes' | 'does' | 'hold'> &
  Partial<Pick<TraceTest, 'asks' | 'caution' | 'at'>>;

const nameOf = ({ kind, at }: Draft): string => (at ? `${kind}:${at}` : kind);

/** A test after which it is asked whether the symptom is still there. */
export function still(
  { way, symptom, guitar }: Trying,
  draft: Draft,
  setup: Partial<Setup>,
): TraceTest {
  const whole: Setup = {
    connected: new Set(allParts(way).map(({ id }) => id)),
    switchedOff: new Set(),
    acts: new Set(),
    actsOn: null,
    ...setup,
  };
  return {
    asks: SYMPTOM_WORDS[symptom].asks,
    caution: '',
    at: null,
    ...draft,
    id: nameOf(draft),
    yesIf: (suspect) => heardIn(suspect, whole, guitar),
  };
}

/** A test that shows a fault where it is: yes means that something was found. */
export const shown = (
  draft: Draft & { readonly asks: string },
  yesIf: TraceTest['yesIf'],
): TraceTest => ({ caution: '', at: null, ...draft, id: nameOf(draft), yesIf });

/** What hangs on the side jacks of what is connected is connected, too. */
export const withBeside = ({ side }: TraceWay, ids: readonly string[]): ReadonlySet<string> => {
  const connected = new Set(ids);
  for (const { id, beside } of side)
    if (beside !== null && connected.has(beside)) connected.add(id);
  return connected;
};
