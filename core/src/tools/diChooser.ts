import { compileSection, createLadderState, gridOf, solveLadder, type Section } from '../circuit';
import {
  destinationOfKind,
  entered,
  type Destination,
  type DestinationKind,
  type Guitar,
  type Cable,
} from '../gear';
import { destinationLoad, guitarSource, cableElements, TrebleMeter } from '../path';
import type { UnitSystem } from '../quantity';

/** What a source could be plugged into on its way to a mixer. */
export interface DiChoice {
  readonly name: string;
  readonly kind: DestinationKind;
  readonly rInOhm: number;
  /** What its input takes of the level at 400 Hz, against an input that draws nothing, dB ≤ 0. */
  readonly levelDb: number;
  /** What it takes of the treble, likewise, dB. */
  readonly trebleDb: number;
  /** Below this the bottom is down by 3 dB against 400 Hz, Hz; null where it is not above 20 Hz. */
  readonly highPassHz: number | null;
  readonly fit: 'right' | 'good enough' | 'wrong';
  readonly why: string;
}

/** Of a powered DI made for piezos. */
/** How far an unbalanced cable goes towards a mixer, as it is said. */
export const sayUnbalanced = (system: UnitSystem): string =>
  system === 'metric' ? '6 to 8 m' : '20 to 25 ft';

/** What an end for a piezo has at its input, Ω. */
export const PIEZO_INPUT_OHM = 10e6;
/** 400 Hz downwards to 20 Hz, 48 to the octave, in rising order. */
const LOW_HZ = Float64Array.from({ length: 208 }, (_, k) => 400 * 2 ** ((k - 207) / 48));
/** More than this lost is a wrong pairing, dB. */
const MOST_LOSS_DB = 1;
const RIGHT_LOSS_DB = 0.5;

/** DIs and inputs of the usual kinds, beside those there are. */
export const USUAL_ENDS: readonly Destination[] = [
  destinationOfKind('activeDi', 'active DI, 1 MΩ'),
  {
    ...destinationOfKind('activeDi', 'active DI for a piezo, 10 MΩ'),
    rInOhm: entered(PIEZO_INPUT_OHM),
  },
  destinationOfKind('passiveDi', 'transformer DI'),
  destinationOfKind('mixer', 'mixer, line input'),
];

/** What each end does to a source after a cable, the best first. */
export function chooseDi(
  guitar: Guitar,
  cable: Cable,
  destinations: readonly Destination[],
): readonly DiChoice[] {
  const meter = new TrebleMeter();
  const source = guitarSource(guitar);
  const circuit = (load: Section['load']): Section => ({
    source,
    path: cableElements(cable),
    load,
  });
  const open = meter.measure(circuit({ rOhm: Infinity, cF: 0, grid: null }));
  const isDriven = source.kind === 'voltage';
  return destinations
    .map((destination): DiChoice => {
      const into = circuit(destinationLoad(destination));
      const { levelDb, trebleDb } = meter.measure(into);
      const found = {
        name: destination.name,
        kind: destination.kind,
        rInOhm: destination.rInOhm.value,
        levelDb: levelDb - open.levelDb,
        trebleDb: trebleDb - open.trebleDb,
        highPassHz: highPassOf(into),
      };
      return { ...found, ...judge(found, isDriven, guitar.kind === 'piezo') };
    })
    .sort((a, b) => rank(a) - rank(b));
}

type Measured = Omit<DiChoice, 'fit' | 'why'>;

const FITS = ['right', 'good enough', 'wrong'] as const;
const rank = ({ fit, levelDb, trebleDb, highPassHz }: DiChoice): number =>
  FITS.indexOf(fit) * 1000 + Math.abs(levelDb) + Math.abs(trebleDb) + (highPassHz ?? 0) / 100;

function judge(
  { kind, levelDb, trebleDb, highPassHz }: Measured,
  isDriven: boolean,
  isPiezo: boolean,
): Pick<DiChoice, 'fit' | 'why'> {
  const loss = Math.max(-levelDb, Math.abs(trebleDb));
  if (kind === 'mixer' && isDriven)
    return {
      fit: 'good enough',
      why: 'It drives a line input, unbalanced: for short cables only.',
    };
  if (highPassHz !== null && highPassHz > 80)
    return { fit: 'wrong', why: 'Its input is too low for this source: the bottom goes.' };
  if (loss > MOST_LOSS_DB)
    return {
      fit: 'wrong',
      why: 'Its input is low: it loads a source that has no output of its own.',
    };
  if (kind === 'passiveDi')
    return {
      fit: isDriven ? 'right' : 'good enough',
      why: 'A transformer for what has an output of its own: no power needed, grounds apart, about 20 dB down.',
    };
  if (isDriven)
    return {
      fit: 'good enough',
      why: 'It works; it needs power that this source does not ask for.',
    };
  if (loss > RIGHT_LOSS_DB || (isPiezo && highPassHz !== null))
    return { fit: 'good enough', why: 'It works, at a small cost.' };
  return {
    fit: 'right',
    why: 'High enough that the source does not feel it. It takes phantom power or a battery.',
  };
}

/** The highest frequency below 400 Hz at which the level is 3 dB below that at 400 Hz. */
function highPassOf(section: Section): number | null {
  const grid = gridOf(LOW_HZ);
  const out = new Float64Array(2 * grid.omega.length);
  solveLadder(
    compileSection(section),
    section.load,
    grid,
    out,
    createLadderState(grid.omega.length),
  );
  const db = Array.from(
    grid.frequencyHz,
    (_, i) => 20 * Math.log10(Math.hypot(out[2 * i]!, out[2 * i + 1]!)),
  );
  const floor = db.at(-1)! - 20 * Math.log10(Math.SQRT2);
  const at = db.findLastIndex((level) => level < floor);
  if (at < 0) return null;
  const share = (floor - db[at]!) / (db[at + 1]! - db[at]!);
  return LOW_HZ[at]! * (LOW_HZ[at + 1]! / LOW_HZ[at]!) ** share;
}

/** dB between the highest peak of a source and what an input takes before it clips. */
export const headroomDb = (peakV: number, mostV: number): number => 20 * Math.log10(mostV / peakV);
