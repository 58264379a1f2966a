import { NO_CONTROLS, over, type Complex, type PickupSource } from '../circuit';
import { conductorM, type Cable, type Guitar } from '../gear';
import { guitarSource, theveninImpedance } from '../path';
import { DC_HZ, readingOf, type MeterQuantity } from './meter';

/** What is clipped to a meter. */
export type Connected =
  /** A cable, its far end open. A fault it may have is not known to who measures it. */
  | { readonly kind: 'cable'; readonly cable: Cable; readonly fault: CableFault | null }
  /** A guitar: at its jack, as its controls stand; or at the coil's own wires (its first pickup). */
  | { readonly kind: 'guitar'; readonly guitar: Guitar; readonly at: 'jack' | 'coil' }
  /** Nothing at all: the clips in the air. */
  | { readonly kind: 'nothing' };

/** Tip on sleeve; a wire off at the near plug. */
export type CableFault = 'shorted' | 'open';

/** Clips that touch, Ω. */
const CONTACT_OHM = 0.02;
/** What is left of a cable that is open at its plug: the plug. */
const OPEN_M = 0.02;
/** The clips in the air leak this little, S. */
const AIR_S = 1e-12;

/** Z at the clips, Ω; strays of the meter are not in it. @param frequencyHz > 0 */
export function impedanceOf(connected: Connected, frequencyHz: number): Complex {
  switch (connected.kind) {
    case 'nothing':
      return [1 / AIR_S, 0];
    case 'cable':
      return impedanceOfCable(connected.cable, connected.fault, frequencyHz);
    case 'guitar':
      return theveninImpedance({ source: sourceOf(connected), path: [] }, frequencyHz);
  }
}

/** An open line far below its first resonance: all of its capacitance, in series with a third of its resistance. */
function impedanceOfCable(cable: Cable, fault: CableFault | null, frequencyHz: number): Complex {
  const lengthM = conductorM(cable);
  const ohm = cable.rPerMOhm.value * lengthM;
  if (fault === 'shorted')
    return [CONTACT_OHM + ohm, 2 * Math.PI * frequencyHz * cable.lPerMH.value * lengthM];
  const whole = cable.cPerMF.value * lengthM + 2 * cable.plugF.value;
  const left = cable.cPerMF.value * OPEN_M + cable.plugF.value;
  const f = fault === 'open' ? left : whole + (cable.added ? cable.addedF.value : 0);
  return over([1, 0], [AIR_S, 2 * Math.PI * frequencyHz * f]).map((part, i) =>
    i === 0 ? part + ohm / 3 : part,
  ) as unknown as Complex;
}

function sourceOf({ guitar, at }: Extract<Connected, { kind: 'guitar' }>) {
  if (at === 'jack' || guitar.kind !== 'magnetic') return guitarSource(guitar);
  const { lH, rDcOhm, cWindingF, rEddyOhm } = guitar;
  const coil: PickupSource = {
    kind: 'pickup',
    lH: lH.value,
    rDcOhm: rDcOhm.value,
    cWindingF: cWindingF.value,
    rEddyOhm: rEddyOhm.value,
    controls: NO_CONTROLS,
  };
  return coil;
}

/** What an ideal meter would show: the reading to expect of what the model holds. */
export const expectedReading = (
  connected: Connected,
  quantity: MeterQuantity,
  frequencyHz: number,
): number => {
  const hz = quantity === 'R' ? DC_HZ : frequencyHz;
  return readingOf(impedanceOf(connected, hz), quantity, hz);
};
