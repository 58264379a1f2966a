import type { BuildRecords } from '../build';
import type { Rig } from '../rig';
import { FAULT_KINDS, faultKind, type FaultName } from './faultKinds';
import { knownOf } from './known';
import { placesIn, type Place, type Reason } from './places';
import type { Symptom } from './symptom';
import { wayOf, type TracePart } from './way';

/// Who is suspected, of what, and how much.

export interface TraceSuspect {
  /** Its part and its kind of fault. */
  readonly id: string;
  /** The id of its part; of a room and of grounds a word. */
  readonly part: string;
  readonly fault: FaultName;
  /** What its part is called. */
  readonly name: string;
  /** "Ember: its switch is worn." */
  readonly says: string;
  /** Usual for its kind. */
  readonly usual: number;
  readonly reasons: readonly Reason[];
  /** With all reasons and with what a hand made of it. */
  readonly weight: number;
  /** Devices that hang on it, of a feed or a supply. */
  readonly feeds: readonly string[];
}

/** What a hunt starts from. */
export interface TraceCase {
  readonly rig: Rig;
  readonly symptom: Symptom;
  readonly comesAndGoes: boolean;
  readonly records: BuildRecords;
  /** By suspect: what a hand made of its weight, as a factor. */
  readonly weights: Readonly<Record<string, number>>;
}

/** What a hand may make of a weight. */
export const LEAST_FACTOR = 0.01;
export const LARGEST_FACTOR = 100;

/** Everybody who could be the cause, in the order of the signal. */
export function suspectsFor({
  rig,
  symptom,
  records,
  weights,
}: TraceCase): readonly TraceSuspect[] {
  const way = wayOf(rig);
  const known = knownOf(rig, records);
  return [...placesIn(way)].flatMap((place) =>
    (Object.keys(FAULT_KINDS) as FaultName[]).flatMap((fault): readonly TraceSuspect[] => {
      const { on, weights: usually, says } = faultKind(fault);
      const usual = usually[symptom];
      if (on !== place.on || usual === undefined || !isPossible(fault, place)) return [];
      const id = `${place.part}:${fault}`;
      const reasons = known.reasonsFor(fault, place);
      const factor = reasons.reduce((all, reason) => all * reason.factor, weights[id] ?? 1);
      const weight = usual * factor;
      const { part, name, feeds } = place;
      return [
        {
          id,
          part,
          fault,
          name,
          says: `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${says}.`,
          usual,
          reasons,
          weight,
          feeds,
        },
      ];
    }),
  );
}

type Question = (place: Place) => boolean;
const device =
  (ask: (of: NonNullable<TracePart['device']>) => boolean): Question =>
  (place) =>
    Boolean(place.at?.device && ask(place.at.device));

/** Faults that not every part of their kind can have. */
const POSSIBLE: Partial<Readonly<Record<FaultName, Question>>> = {
  muted: device(({ mutes, pot }) => mutes || pot !== null),
  dead: device(({ bypass }) => bypass !== 'passive'),
  bypassBad: device(({ bypass }) => bypass !== 'passive' && bypass !== 'alwaysOn'),
  noisy: device(({ bypass }) => bypass !== 'passive'),
  detects: device(({ bypass }) => bypass !== 'passive'),
  muchGain: device(({ deviceClass }) =>
    ['lowImpedanceFuzz', 'fuzz', 'boost', 'drive', 'preamp', 'compressor'].includes(deviceClass),
  ),
  popsItself: device(({ bypass }) => bypass !== 'passive' && bypass !== 'alwaysOn'),
  loads: device(({ bypass }) => bypass === 'hardwired'),
  fightsNext: device(({ deviceClass }) => deviceClass === 'wah'),
  coilHum: ({ at }) => at?.guitar?.kind === 'magnetic' && hasSingleCoil(at.guitar),
  stringGround: ({ at }) => at?.guitar?.kind === 'magnetic',
  ampTired: ({ at }) => at?.kind === 'destination',
};

const SINGLE = ['brightSingle', 'woundUpSingle', 'wideSingle', 'bassSingle'];
const hasSingleCoil = ({
  pickupClass,
  second,
}: Pick<NonNullable<TracePart['guitar']>, 'pickupClass' | 'second'>): boolean =>
  SINGLE.includes(pickupClass) || (second !== null && SINGLE.includes(second.pickupClass));

const isPossible = (fault: FaultName, place: Place): boolean => POSSIBLE[fault]?.(place) ?? true;
