import type { Load, Section, Source } from '../circuit';
import type { DrivenPath, DrivenSection, Stop } from './drivenPath';
import { subtractTreble, type Treble, TrebleMeter } from './trebleOf';

/** One element that could be ideal: a cable, a bypassed device, an input, an output, the guitar's pots, the end. */
export interface PartLoss {
  readonly kind: 'cable' | 'bypass' | 'input' | 'output' | 'controls' | 'destination';
  /** Its place among the stops. */
  readonly stop: number;
  /** How treble and level would change if it were ideal, dB: what it costs now. */
  readonly gain: Treble;
}

const DRAWS_NOTHING: Load = { rOhm: Infinity, cF: 0, grid: null };

/**
 * What each element costs: the change of treble and level if it alone were ideal. They do not add up,
 * since the parts interact, and can be negative. Sorted by the size of the treble change.
 */
export function lossByPart(path: DrivenPath, meter = new TrebleMeter()): readonly PartLoss[] {
  const all: PartLoss[] = [];
  for (const section of path.sections) {
    const now = meter.measure(section.circuit);
    for (const { ideal, ...what } of idealVariants(path.stops, section)) {
      all.push({ ...what, gain: subtractTreble(meter.measure(ideal), now) });
    }
  }
  return all
    .filter(({ gain }) => Number.isFinite(gain.trebleDb))
    .sort((a, b) => Math.abs(b.gain.trebleDb) - Math.abs(a.gain.trebleDb));
}

type Variant = Pick<PartLoss, 'kind' | 'stop'> & { readonly ideal: Section };

function* idealVariants(stops: readonly Stop[], section: DrivenSection): Generator<Variant> {
  const { circuit, connections, endsAt, driver } = section;
  const elements = connections.map((connection) => stops[connection]!.elements);
  for (const [i, connection] of connections.entries()) {
    if (elements[i]!.length === 0) continue;
    yield {
      kind: stops[connection]!.spot.kind === 'cable' ? 'cable' : 'bypass',
      stop: connection,
      ideal: { ...circuit, path: elements.toSpliced(i, 1).flat() },
    };
  }
  yield {
    kind: stops[endsAt]!.role === 'destination' ? 'destination' : 'input',
    stop: endsAt,
    ideal: { ...circuit, load: DRAWS_NOTHING },
  };
  const ideal = { ...circuit, source: idealSource(circuit.source) };
  yield { kind: circuit.source.kind === 'voltage' ? 'output' : 'controls', stop: driver, ideal };
}

/** A driver without output resistance; a guitar whose pots are full up and draw nothing. */
function idealSource(source: Source): Source {
  switch (source.kind) {
    case 'voltage':
      return { ...source, rOutOhm: 0 };
    case 'piezo':
      return source;
    case 'pickup':
      return { ...source, controls: { ...source.controls, ...NO_POTS } };
    case 'pair':
      return { ...source, shared: { ...source.shared, ...NO_POTS } };
  }
}

const NO_POTS = { volume: null, tone: null, bleed: null } as const;
