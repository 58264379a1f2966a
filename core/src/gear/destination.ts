import { picofarad } from './guitar';
import { assumed, type Sourced } from './sourced';

/** "gridStopper": a series resistor into a tube grid's Miller capacitance; "plain": a capacitance beside R_in. */
export type InputKind = 'gridStopper' | 'plain';

/** What a path can end in. A passive DI is a transformer: its input is what its rated preamp reflects. */
export type DestinationKind = 'amp' | 'activeDi' | 'passiveDi' | 'mixer' | 'tuner';

/** Where a path ends: an amplifier, a DI, a mixer's input, a tuner on a tap. */
export interface Destination {
  readonly id: string;
  readonly name: string;
  readonly kind: DestinationKind;
  readonly input: InputKind;
  readonly rInOhm: Sourced;
  readonly stopperOhm: Sourced;
  readonly millerF: Sourced;
  readonly cInF: Sourced;
  /** The effects loop of an amp: what drives its send, and what its return asks. */
  readonly sendOhm: Sourced;
  readonly returnOhm: Sourced;
  readonly returnF: Sourced;
  /** The entry of the gear list it was taken from. */
  readonly gear?: string;
}

export const DESTINATION_KINDS: Readonly<
  Record<DestinationKind, { label: string; rInOhm: number; cInPF: number }>
> = {
  amp: { label: 'amp', rInOhm: 1e6, cInPF: 50 },
  activeDi: { label: 'active DI', rInOhm: 1e6, cInPF: 30 },
  passiveDi: { label: 'transformer DI', rInOhm: 140e3, cInPF: 100 },
  mixer: { label: 'mixer input', rInOhm: 10e3, cInPF: 100 },
  tuner: { label: 'tuner', rInOhm: 1e6, cInPF: 20 },
};

export function destinationOfKind(kind: DestinationKind, name: string, id = 'e1'): Destination {
  const { rInOhm, cInPF } = DESTINATION_KINDS[kind];
  return {
    id,
    name,
    kind,
    input: kind === 'amp' ? 'gridStopper' : 'plain',
    rInOhm: assumed(rInOhm),
    stopperOhm: assumed(34e3),
    millerF: assumed(picofarad(100)),
    cInF: assumed(picofarad(cInPF)),
    sendOhm: assumed(1e3),
    returnOhm: assumed(100e3),
    returnF: assumed(picofarad(50)),
  };
}
