import { picofarad } from './guitar';
import { assumed, type Sourced } from './sourced';

/** "gridStopper": a series resistor into a tube grid's Miller capacitance; "plain": a capacitance beside R_in. */
export type AmpInputKind = 'gridStopper' | 'plain';

export interface Amp {
  readonly name: string;
  readonly input: AmpInputKind;
  readonly rInOhm: Sourced;
  readonly stopperOhm: Sourced;
  readonly millerF: Sourced;
  readonly cInF: Sourced;
}

export function ampOfClass(name: string): Amp {
  return {
    name,
    input: 'gridStopper',
    rInOhm: assumed(1e6),
    stopperOhm: assumed(34e3),
    millerF: assumed(picofarad(100)),
    cInF: assumed(picofarad(50)),
  };
}
