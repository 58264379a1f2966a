import type { Load, Section, Source } from '../circuit';
import type { Rig } from '../rig';
import { hopElements, type DrivenPath, type DrivenSection } from './drivenPath';
import { subtractTreble, type Treble, TrebleMeter } from './trebleOf';

/** One element that could be ideal: a lead, a bypassed device, an input, an output, the guitar's pots, the amp. */
export interface TakeOut {
  readonly kind: 'lead' | 'bypass' | 'input' | 'output' | 'controls' | 'amp';
  /** Index of the lead or device; −1 for the guitar and the amp. */
  readonly index: number;
  /** How treble and level would change if it were ideal, dB: what it costs now. */
  readonly gain: Treble;
}

const DRAWS_NOTHING: Load = { rOhm: Infinity, cF: 0, grid: null };

/**
 * What each element costs: the change of treble and level if it alone were ideal. They do not add up,
 * since the parts interact, and can be negative. Sorted by the size of the treble change.
 */
export function takeOuts(
  rig: Rig,
  path: DrivenPath,
  meter = new TrebleMeter(),
): readonly TakeOut[] {
  const all: TakeOut[] = [];
  for (const section of path.sections) {
    const now = meter.measure(section.circuit);
    for (const { ideal, ...what } of idealVariants(rig, section)) {
      all.push({ ...what, gain: subtractTreble(meter.measure(ideal), now) });
    }
  }
  return all
    .filter(({ gain }) => Number.isFinite(gain.trebleDb))
    .sort((a, b) => Math.abs(b.gain.trebleDb) - Math.abs(a.gain.trebleDb));
}

type Variant = Pick<TakeOut, 'kind' | 'index'> & { readonly ideal: Section };

function* idealVariants(rig: Rig, section: DrivenSection): Generator<Variant> {
  const { circuit, hops, endsAt, driver } = section;
  const elements = hops.map((hop) => hopElements(rig, hop));
  for (const [i, hop] of hops.entries()) {
    yield {
      kind: hop.kind === 'lead' ? 'lead' : 'bypass',
      index: hop.index,
      ideal: { ...circuit, path: elements.toSpliced(i, 1).flat() },
    };
  }
  const toAmp = endsAt === rig.devices.length;
  yield {
    kind: toAmp ? 'amp' : 'input',
    index: toAmp ? -1 : endsAt,
    ideal: { ...circuit, load: DRAWS_NOTHING },
  };
  yield {
    kind: driver < 0 ? 'controls' : 'output',
    index: driver,
    ideal: { ...circuit, source: idealSource(circuit.source) },
  };
}

/** A driver without output resistance; a guitar whose pots are full up and draw nothing. */
function idealSource(source: Source): Source {
  if (source.kind === 'voltage') return { ...source, rOutOhm: 0 };
  if (source.kind === 'piezo') return source;
  return { ...source, controls: { ...source.controls, volume: null, tone: null, bleed: null } };
}
