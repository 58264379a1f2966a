import { entered, type Destination, type GearItem } from '../gear';
import { driveWay } from '../path';
import {
  mainRow,
  replaceDestination,
  setCableLength,
  setLengthAt,
  type Edit,
  type Rig,
} from '../rig';
import { PIEZO_INPUT_OHM, USUAL_ENDS } from '../tools';
import type { Judgement } from './judgement';
import type { Remedy } from './remedy';

/** From the board to the DI beside it. */
const TO_THE_DI_M = 1;

/**
 * Another DI where the main row ends: plans take the end for given, so that none of their moves does it. At the board it
 * takes the place of a long unbalanced cable, which is balanced behind it.
 *
 * @param gear what the workshop has; what is usual where it has none that fits
 */
export function diRemedy(
  rig: Rig,
  { kind, spot }: Judgement,
  gear: readonly GearItem[],
): Remedy | null {
  const now = rig.electrical.destinations[0]!;
  if ((kind !== 'longUnbalanced' && kind !== 'wrongDi') || spot?.id !== now.id) return null;
  const di = fittingDi(rig, gear);
  if (!di) return null;
  const replaced = replaceDestination(rig, now.id, di);
  return {
    move: null,
    said:
      kind === 'wrongDi'
        ? `Take ${di.name} instead of ${now.name}`
        : `Put ${di.name} at the board: behind it the cable to the mixer is balanced`,
    edit: { kind: 'group', edits: [replaced, ...(kind === 'wrongDi' ? [] : shortened(rig))] },
  };
}

/** For a passive source an active DI, for a piezo one of a high input; for an output a transformer. */
function fittingDi(rig: Rig, gear: readonly GearItem[]): Destination | undefined {
  const { source } = driveWay(rig).path.sections.at(-1)!.circuit;
  const kind = source.kind === 'voltage' ? 'passiveDi' : 'activeDi';
  const leastOhm = source.kind === 'piezo' ? PIEZO_INPUT_OHM / 2 : 0;
  const own = gear.flatMap((item) =>
    item.kind === 'destination' && !item.retired ? [{ ...item.thing, gear: item.id }] : [],
  );
  return [...own, ...USUAL_ENDS].find((one) => one.kind === kind && one.rInOhm.value >= leastOhm);
}

/** The last cable as long as to the DI, everywhere. */
function shortened(rig: Rig): readonly Edit[] {
  const cable = mainRow(rig).cables.at(-1);
  if (!cable || cable.lengthM.value <= TO_THE_DI_M) return [];
  const places = rig.electrical.places.filter(({ lengths }) => lengths[cable.id]);
  return [
    setCableLength(cable.id, TO_THE_DI_M),
    ...places.map(({ id }) => setLengthAt(rig, id, cable.id, entered(TO_THE_DI_M))),
  ];
}
