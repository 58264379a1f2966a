import { gridOf } from '../circuit';
import type { Guitar } from '../gear';
import { entered } from '../gear';
import { driveWay, ResponseMeter } from '../path';
import { playingGuitar, withElectrical, type Chain } from '../rig';

/** How a response of a whole rig was taken. */
export interface RigSweep {
  /** "coil": a known voltage in series with the pickup, the guitar as it is. "source": through a resistor in the place of the guitar. */
  readonly from: 'coil' | 'source';
  /** Of "source", Ω. */
  readonly sourceOhm: number;
  /** The level that went in is known; else only the shape of the curve counts. */
  readonly isCalibrated: boolean;
}

/** Below this a sweep hears nothing but itself, dB. */
export const SWEEP_FLOOR_DB = -100;

/** The chain as the sweep meets it. */
export function sweptChain(chain: Chain, { from, sourceOhm }: RigSweep): Chain {
  if (from === 'coil') return chain;
  const guitar = playingGuitar(chain);
  const source: Guitar = { ...guitar, kind: 'active', outputOhm: entered(sourceOhm) };
  const guitars = chain.electrical.guitars.map((one) => (one.id === guitar.id ? source : one));
  return withElectrical(chain, { guitars });
}

/** Levels of the main way of chains at the frequencies of a measurement. */
export class RigMeter {
  private readonly meter: ResponseMeter;

  constructor(frequencyHz: readonly number[]) {
    this.meter = new ResponseMeter(gridOf(Float64Array.from(frequencyHz)));
  }

  /** dB; null where nothing is heard by its switches or a missing cable. */
  levels(chain: Chain): Float64Array | null {
    const { path } = driveWay(chain);
    if (path.interrupted) return null;
    return this.meter.levels(path.sections.map(({ circuit }) => circuit));
  }
}
