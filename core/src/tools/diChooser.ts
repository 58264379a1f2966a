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

/** How far an unbalanced cable goes towards a mixer, as it is said. */
export const sayUnbalanced = (system: UnitSystem): string =>
  system === 'metric' ? '6 to 8 m' : '20 to 25 ft';

const BRIGHT_H = 2.2;

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
  const against = (load: Section['load']): Taken => {
    const { levelDb, trebleDb } = meter.measure(circuit(load));
    return { levelDb: levelDb - open.levelDb, trebleDb: trebleDb - open.trebleDb };
  };
  const usual = usualFor(guitar, against);
  const isDriven = source.kind === 'voltage';
  return destinations
    .map((destination): DiChoice => {
      const load = destinationLoad(destination);
      const found = {
        name: destination.name,
        kind: destination.kind,
        rInOhm: destination.rInOhm.value,
        ...against(load),
        highPassHz: highPassOf(circuit(load)),
      };
      return { ...found, ...judge(found, usual, isDriven, guitar.kind === 'piezo') };
    })
    .sort((a, b) => rank(a, usual) - rank(b, usual));
}

/** What a source is used to: a coil to an amp's megohm, a piezo and what has an output of its own to no load. */
function usualFor(guitar: Guitar, against: (load: Section['load']) => Taken): Taken {
  if (guitar.kind !== 'magnetic') return { levelDb: 0, trebleDb: 0 };
  return against(destinationLoad(destinationOfKind('activeDi', '')));
}

type Measured = Omit<DiChoice, 'fit' | 'why'>;
/** Of level and treble, against an input that draws nothing, dB. */
type Taken = Pick<DiChoice, 'levelDb' | 'trebleDb'>;

const FITS = ['right', 'good enough', 'wrong'] as const;
/** By fitness, then by how near a source is to what it is used to. */
const rank = ({ fit, levelDb, trebleDb, highPassHz }: DiChoice, usual: Taken): number =>
  FITS.indexOf(fit) * 1000 +
  Math.abs(levelDb - usual.levelDb) +
  Math.abs(trebleDb - usual.trebleDb) +
  (highPassHz ?? 0) / 100;

function judge(
  { kind, levelDb, trebleDb, highPassHz }: Measured,
  usual: Taken,
  isDriven: boolean,
  isPiezo: boolean,
): Pick<DiChoice, 'fit' | 'why'> {
  const loss = Math.max(usual.levelDb - levelDb, Math.abs(trebleDb - usual.trebleDb));
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
    why: 'The source plays into it as it would into an amp, or freer. It takes phantom power or a battery.',
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

const SINGLE_COIL_PEAK_V = 0.7;
const PEAKS_V: Readonly<Record<Guitar['kind'], number>> = {
  magnetic: SINGLE_COIL_PEAK_V,
  piezo: 2,
  active: 2.5,
};

/**
 * The hardest stroke of a source, V, as a usual figure to begin with: about 0.7 V from a bright single coil and as much
 * more from a coil of more turns, whose inductance grows with their square; a piezo bridge and an output of its own give
 * about 2 V and 2.5 V. A meter says better.
 */
export function usualPeakV({ kind, lH }: Guitar): number {
  if (kind !== 'magnetic') return PEAKS_V[kind];
  const turns = Math.sqrt(lH.value / BRIGHT_H);
  return Math.round(10 * PEAKS_V.magnetic * Math.max(1, turns)) / 10;
}

/** dB between the highest peak of a source and what an input takes before it clips. */
export const headroomDb = (peakV: number, mostV: number): number => 20 * Math.log10(mostV / peakV);
