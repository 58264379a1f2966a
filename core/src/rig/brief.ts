import { type Sourced, FIELD_RULES } from '../gear';
import { checkSourced } from './checkField';
import { isDay } from './day';
import type { RigProblem } from './rigProblem';

/** How a pedal is used: part of the sound all night, switched in mid-song, or once in a while. */
export type PedalUse = 'leftOn' | 'switched' | 'nowAndThen';
export const PEDAL_USES: readonly PedalUse[] = ['leftOn', 'switched', 'nowAndThen'];

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
export const MOST_HOURS_A_DAY = 24;

/** What a player says before anything is planned; guitars, cables, scenes and places are in the rig itself. */
export interface Brief {
  /** By device; one that is not named here has not been spoken of. */
  readonly uses: Readonly<Record<string, PedalUse>>;
  /** What must not change: the order of all pedals, some pedals' places, some cables. */
  readonly keepsOrder: boolean;
  readonly keptDevices: readonly string[];
  readonly keptCables: readonly string[];
  readonly noSoldering: boolean;
  readonly nothingBought: boolean;
  /** In the workshop's own money; null is no limit. */
  readonly mostMoney: number | null;
  /** Boxes added at most; null is no limit. */
  readonly mostBoxes: number | null;
  /** By cable: the shortest that still reaches wherever the rig is played. */
  readonly reach: Readonly<Record<string, Sourced>>;
  /** Scenes that plans are not measured in. */
  readonly uncounted: readonly string[];
  /** Null: as the approach has them. */
  readonly weights: Weights | null;
  /** The day by which the rig has to be ready, as "2026-11-25"; null is not given. */
  readonly deadline: string | null;
  /** How long it is worked at on a day, h; null is not given. */
  readonly hoursADay: number | null;
}

export const NO_BRIEF: Brief = {
  uses: {},
  keepsOrder: false,
  keptDevices: [],
  keptCables: [],
  noSoldering: false,
  nothingBought: false,
  mostMoney: null,
  mostBoxes: null,
  reach: {},
  uncounted: [],
  weights: null,
  deadline: null,
  hoursADay: null,
};

/** Limits within their ranges. What it says of parts that are gone by now is kept for their return. */
export function* checkBrief({
  mostMoney,
  mostBoxes,
  reach,
  weights,
  deadline,
  hoursADay,
}: Brief): Generator<RigProblem> {
  if (deadline !== null && !isDay(deadline))
    yield {
      path: 'texts.brief.deadline',
      message: `Deadline: “${deadline}” is not a day such as 2026-11-25.`,
    };
  if (hoursADay !== null)
    yield* checkNumber('hoursADay', 'Hours a day', hoursADay, MOST_HOURS_A_DAY);
  if (mostMoney !== null) yield* checkNumber('mostMoney', 'Money', mostMoney, MOST_MONEY);
  if (mostBoxes !== null) {
    yield* checkNumber('mostBoxes', 'Added boxes', mostBoxes, MOST_ADDED_BOXES);
    if (!Number.isInteger(mostBoxes))
      yield {
        path: 'texts.brief.mostBoxes',
        message: `Added boxes: ${mostBoxes} is not a whole number of boxes.`,
      };
  }
  for (const [id, length] of Object.entries(reach)) {
    const problem = checkSourced(FIELD_RULES.cable.lengthM, length);
    if (problem) yield { path: `texts.brief.reach.${id}`, message: problem.message };
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
    yield {
      path: `texts.brief.${path}`,
      message: `${label}: ${value} is not between 0 and ${most}.`,
    };
}
