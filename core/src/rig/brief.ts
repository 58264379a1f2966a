import type { Sourced } from '../gear';
import { checkSourced } from './checkField';
import { FIELD_RULES } from './fields';
import type { RigProblem } from './checkRig';

/** How a pedal is used: part of the sound all night, stamped in mid-song, or once in a while. */
export type PedalUse = 'leftOn' | 'stamped' | 'nowAndThen';
export const PEDAL_USES: readonly PedalUse[] = ['leftOn', 'stamped', 'nowAndThen'];

/**
 * How much each term of the goal counts. Of `distance`, `spread` and `level` for each dB, of `resonance` for
 * each semitone beside the wanted one; of the rest for each case.
 */
export interface Weights {
  readonly distance: number;
  readonly spread: number;
  readonly level: number;
  readonly resonance: number;
  /** An end of the board that no low impedance drives. */
  readonly ends: number;
  /** A buffer beyond the first one. */
  readonly buffers: number;
  /** A fuzz kept from its pickup, a wah straight into a fuzz. */
  readonly rules: number;
}

export const WEIGHT_NAMES: readonly (keyof Weights)[] = [
  'distance',
  'spread',
  'level',
  'resonance',
  'ends',
  'buffers',
  'rules',
];
export const LARGEST_WEIGHT = 10;
export const MOST_MONEY = 1e6;
export const MOST_ADDED_BOXES = 20;

/** What a player says before anything is planned; guitars, leads, scenes and places are in the rig itself. */
export interface Brief {
  /** By device; one that is not named here has not been spoken of. */
  readonly uses: Readonly<Record<string, PedalUse>>;
  /** What must not change: the order of all pedals, some pedals' places, some leads. */
  readonly keepsOrder: boolean;
  readonly keptDevices: readonly string[];
  readonly keptLeads: readonly string[];
  readonly noSoldering: boolean;
  readonly nothingBought: boolean;
  /** In the workshop's own money; null is no limit. */
  readonly mostMoney: number | null;
  /** Boxes added at most; null is no limit. */
  readonly mostBoxes: number | null;
  /** By lead: the shortest that still reaches wherever the rig is played. */
  readonly reach: Readonly<Record<string, Sourced>>;
  /** Scenes that plans are not measured in. */
  readonly uncounted: readonly string[];
  /** Null: as the approach has them. */
  readonly weights: Weights | null;
}

export const NO_BRIEF: Brief = {
  uses: {},
  keepsOrder: false,
  keptDevices: [],
  keptLeads: [],
  noSoldering: false,
  nothingBought: false,
  mostMoney: null,
  mostBoxes: null,
  reach: {},
  uncounted: [],
  weights: null,
};

/** Limits within their ranges. What it says of parts that are gone by now is kept for their return. */
export function* checkBrief({
  mostMoney,
  mostBoxes,
  reach,
  weights,
}: Brief): Generator<RigProblem> {
  if (mostMoney !== null) yield* checkNumber('mostMoney', 'Money', mostMoney, MOST_MONEY);
  if (mostBoxes !== null) {
    yield* checkNumber('mostBoxes', 'Added boxes', mostBoxes, MOST_ADDED_BOXES);
    if (!Number.isInteger(mostBoxes))
      yield {
        path: 'brief.mostBoxes',
        message: `Added boxes: ${mostBoxes} is not a whole number of boxes.`,
      };
  }
  for (const [id, length] of Object.entries(reach)) {
    const problem = checkSourced(FIELD_RULES.lead.lengthM, length);
    if (problem) yield { path: `brief.reach.${id}`, message: problem.message };
  }
  for (const name of weights ? WEIGHT_NAMES : [])
    yield* checkNumber(`weights.${name}`, `Weight of ${name}`, weights![name], LARGEST_WEIGHT);
}

function* checkNumber(
  path: string,
  label: string,
  value: number,
  most: number,
): Generator<RigProblem> {
  if (!(value >= 0 && value <= most))
    yield { path: `brief.${path}`, message: `${label}: ${value} is not between 0 and ${most}.` };
}
