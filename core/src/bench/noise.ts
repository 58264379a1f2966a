import { gridOf, type Section } from '../circuit';
import { driveWay, ResponseMeter, theveninImpedance } from '../path';
import { conductorM, type Cable } from '../gear';
import { allCables, type Chain } from '../rig';

/// Noise at the amp and what cables pick up (model §10): figures to compare by, not predictions.

const BOLTZMANN = 1.380649e-23;
const ROOM_K = 293;
const FROM_HZ = 20;
const TO_HZ = 20_000;
const STEPS = 96;
const AT_HZ = 1000;

/** Thermal noise that a driven section leaves at the amp. */
export interface SectionNoise {
  /** Number of the section. */
  readonly section: number;
  /** At the amp's input, V RMS. */
  readonly noiseV: number;
}

/** How much a cable stands in the open: |Z| at 1 kHz × its length × the gain after it, Ω·m. */
export interface Exposure {
  readonly cable: Cable;
  readonly exposureOhmM: number;
}

export interface RigNoise {
  readonly sections: readonly SectionNoise[];
  /** All of it, V RMS. */
  readonly totalV: number;
  /** The most exposed first. */
  readonly exposures: readonly Exposure[];
}

/** @returns null where nothing is heard */
export function noiseOf(chain: Chain): RigNoise | null {
  const { path } = driveWay(chain);
  if (path.interrupted) return null;
  const circuits = path.sections.map(({ circuit }) => circuit);
  const gains = gainsAfter(circuits);
  const sections = circuits.map((circuit, section) => ({
    section,
    noiseV: thermalV(circuit) * gains[section]!,
  }));
  const cables = new Map(allCables(chain).map((cable) => [cable.id, cable]));
  const exposures = path.sections.flatMap(({ connections, circuit }, i) => {
    const [re, im] = loadedImpedance(circuit, AT_HZ);
    return connections.flatMap((stop) => {
      const { spot } = path.stops[stop]!;
      const cable = spot.kind === 'cable' ? cables.get(spot.id) : undefined;
      if (!cable) return [];
      return [{ cable, exposureOhmM: Math.hypot(re, im) * conductorM(cable) * gains[i]! }];
    });
  });
  return {
    sections,
    totalV: Math.hypot(...sections.map(({ noiseV }) => noiseV)),
    exposures: exposures.toSorted((one, other) => other.exposureOhmM - one.exposureOhmM),
  };
}

/** Of each section, what all sections after it do to a voltage at its end, at 1 kHz. */
function gainsAfter(circuits: readonly Section[]): readonly number[] {
  const meter = new ResponseMeter(gridOf(Float64Array.of(AT_HZ)));
  return circuits.map((_, i) => 10 ** (meter.levels(circuits.slice(i + 1))[0]! / 20));
}

/** √(4kT∫Re Z df) over 20 Hz–20 kHz of all that is at the input: what drives it beside what it is. */
function thermalV(circuit: Section): number {
  let square = 0;
  const ratio = (TO_HZ / FROM_HZ) ** (1 / STEPS);
  for (let k = 0; k < STEPS; k++) {
    const from = FROM_HZ * ratio ** k;
    const [re] = loadedImpedance(circuit, from * Math.sqrt(ratio));
    square += Math.max(0, re) * from * (ratio - 1);
  }
  return Math.sqrt(4 * BOLTZMANN * ROOM_K * square);
}

function loadedImpedance({ source, path, load }: Section, hz: number) {
  const shunts = [
    { kind: 'shunt', rOhm: load.rOhm, cF: load.cF } as const,
    ...(load.grid
      ? [
          {
            kind: 'branch',
            path: [{ kind: 'series', rOhm: load.grid.stopperOhm }],
            load: { rOhm: 1e12, cF: load.grid.millerF, grid: null },
          } as const,
        ]
      : []),
  ];
  return theveninImpedance({ source, path: [...path, ...shunts] }, hz);
}
