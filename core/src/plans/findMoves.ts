import { mainRow, type Rig } from '../rig';
import type { GearItem } from '../gear';
import { bufferMoves } from './bufferMoves';
import { cableMoves } from './cableMoves';
import type { Move } from './move';
import { partMoves } from './partMoves';
import { shiftMoves } from './shiftMoves';

/**
 * Every single change that a rig's brief allows, in a fixed order. What has to stay, stays; what would have to
 * be bought or soldered is left out where that is ruled out, and so is what costs more than there is.
 *
 * @param gear what the workshop has: an entry with a price is bought at it, one without is at hand
 */
export function findMoves(rig: Rig, gear: readonly GearItem[] = []): readonly Move[] {
  const { noSoldering, nothingBought, mostMoney, mostBoxes } = rig.texts.brief;
  const room = mostBoxes ?? Infinity;
  const money = nothingBought ? 0 : (mostMoney ?? Infinity);
  return [
    ...partMoves(rig),
    ...shiftMoves(rig),
    ...bufferMoves(rig, gear),
    ...cableMoves(rig, gear),
  ].filter(
    ({ effort }) =>
      !(noSoldering && effort.solders) &&
      !(nothingBought && effort.buys.length > 0) &&
      effort.cost <= money &&
      effort.boxes <= room,
  );
}

/** A gap of the main row by the device after it; null is the end of the row. */
export const gapOf = (rig: Rig, before: string | null): number => {
  const { devices } = mainRow(rig);
  return before === null ? devices.length : devices.findIndex(({ id }) => id === before);
};
