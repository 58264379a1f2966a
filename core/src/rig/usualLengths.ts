import { METRES_PER_FOOT, type UnitSystem } from '../quantity';
import {
  assumed,
  cableOfClass,
  entered,
  patchCable,
  type Cable,
  type ReferenceCable,
} from '../gear';

/// Lengths that nobody has said yet are round ones: metres, or feet in a rig that is laid out in feet.

/** What a rig is held against. */
interface HeldAgainst {
  readonly electrical: { readonly reference: ReferenceCable };
}

const TOLERANCE = 1e-6;
const HALF_FOOT = METRES_PER_FOOT / 2;

const isWhole = (feet: number): boolean =>
  feet > TOLERANCE && Math.abs(feet - Math.round(feet)) < TOLERANCE;

/** Whole feet from one foot on, half feet below. */
export function inFeet(metres: number): number {
  const feet = metres / METRES_PER_FOOT;
  return feet >= 1
    ? Math.round(feet) * METRES_PER_FOOT
    : Math.max(1, Math.round(2 * feet)) * HALF_FOOT;
}

/** A rig that is held against whole feet of cable is laid out in feet. */
export const isLaidInFeet = ({ electrical }: HeldAgainst): boolean =>
  isWhole(electrical.reference.lengthM.value / METRES_PER_FOOT);

/** A length that nobody has said, m, as it is usual in this rig. */
export const usualLength = (rig: HeldAgainst, metres: number): number =>
  isLaidInFeet(rig) ? inFeet(metres) : metres;

/** A patch as it is usual in this rig. */
export function usualPatch(rig: HeldAgainst, id: string): Cable {
  const patch = patchCable(id);
  return { ...patch, lengthM: assumed(usualLength(rig, patch.lengthM.value)) };
}

/** A long cable as it is usual in this rig. */
export const usualCable = (rig: HeldAgainst, id: string, metres: number, name: string): Cable =>
  cableOfClass('ordinary', id, entered(usualLength(rig, metres)), name);

/** What new rigs are held against: in feet a whole number of them, where nobody has said another length. */
export function usualReference(reference: ReferenceCable, system: UnitSystem): ReferenceCable {
  const { lengthM } = reference;
  return system === 'imperial' && isWhole(lengthM.value)
    ? { ...reference, lengthM: { ...lengthM, value: inFeet(lengthM.value) } }
    : reference;
}
