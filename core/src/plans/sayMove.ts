import { CABLE_CLASSES, type Cable } from '../gear';
import { nameCable } from '../figures';
import { formatQuantity, type UnitSystem } from '../quantity';
import { findDevice, findCable, type Rig } from '../rig';
import { capacitorPlace } from './editOfMove';
import type { Move, MoveAction } from './move';

/** A move as one would tell it to whoever does it. */
export function sayMove(rig: Rig, { action, condition }: Move, units: UnitSystem): string {
  const said = sayAction(rig, action, units);
  return condition === null ? said : `${said}, ${condition}`;
}

function sayAction(rig: Rig, action: MoveAction, units: UnitSystem): string {
  const name = (id: string) => findDevice(rig, id)?.name ?? id;
  switch (action.kind) {
    case 'buffer':
      return `Stand ${article(action.device.name)} ${sayGap(rig, action.before)}`;
    case 'ownPedal':
      return `Put your ${action.device.name} ${sayGap(rig, action.before)} and leave it off: its bypass is a buffer`;
    case 'removeBuffer':
      return `Take ${name(action.device)} out`;
    case 'shift':
      return `Move ${name(action.device)} ${sayGap(rig, action.before, action.device)}`;
    case 'bypass':
      return `Set the bypass of ${name(action.device)} to ${action.to}`;
    case 'convert':
      return `Have ${name(action.device)} rebuilt to true bypass`;
    case 'loopOut':
      return `Put ${name(action.device)} into a true-bypass loop`;
    case 'activate':
      return `Make ${name(action.device)} active: a buffer before its track`;
    case 'loopBuffer':
      return `Stand ${article(action.device.name)} in the loop of ${name(action.before)}, before it`;
    case 'pot':
      return `Put a ${formatQuantity(action.potOhm, 'resistance', units)} track into ${name(action.device)}`;
    case 'cableKind':
      return sayCableKind(rig, action, units);
    case 'cableLength':
      return sayLength(rig, action, units);
    case 'pickupSimulator':
      return `Fit a pickup simulator ahead of ${name(action.device)}`;
    case 'capacitor':
      return sayCapacitor(rig, action, units);
  }
}

/** "a buffer", "an ordinary buffer"; a name of its own stays as it is. */
const article = (name: string): string => (name === 'buffer' ? 'an ordinary buffer' : name);

/** "between Skiff and Ember", "before Skiff", "at the end, after Ember". */
function sayGap(rig: Rig, before: string | null, moved?: string): string {
  const devices = rig.electrical.rows[0]!.devices.filter(({ id }) => id !== moved);
  const at = before === null ? devices.length : devices.findIndex(({ id }) => id === before);
  const [left, right] = [devices[at - 1], devices[at]];
  if (!right) return left ? `${moved ? 'to' : 'at'} the end, after ${left.name}` : 'on the board';
  return left ? `between ${left.name} and ${right.name}` : `first, before ${right.name}`;
}

type ActionOf<K extends MoveAction['kind']> = Extract<MoveAction, { kind: K }>;

function sayCableKind(
  rig: Rig,
  { cables, like, isPiece }: ActionOf<'cableKind'>,
  units: UnitSystem,
): string {
  const kind = sayKind(like, isPiece, units);
  if (cables.length > 1) return `Change the ${cables.length} patches for ${kind}`;
  return `Change ${nameCable(rig, cables[0]!)} for ${kind}`;
}

function sayKind(like: Cable, isPiece: boolean, units: UnitSystem): string {
  const each = formatQuantity(like.cPerMF.value, 'capacitancePerLength', units);
  const length = isPiece ? `${formatQuantity(like.lengthM.value, 'length', units)}, ` : '';
  if (like.gear) return `${like.name} (${length}${each})`;
  return `a ${CABLE_CLASSES[like.cableClass].label} cable (${each})`;
}

function sayLength(
  rig: Rig,
  { cable: id, lengthM }: ActionOf<'cableLength'>,
  units: UnitSystem,
): string {
  const isCut = lengthM < (findCable(rig, id)?.lengthM.value ?? 0);
  const to = formatQuantity(lengthM, 'length', units);
  return isCut
    ? `Shorten ${nameCable(rig, id)} to ${to}`
    : `Lengthen ${nameCable(rig, id)} to ${to}`;
}

function sayCapacitor(rig: Rig, { goal }: ActionOf<'capacitor'>, units: UnitSystem): string {
  const at = capacitorPlace(rig);
  const where = at ? ` in the plug of ${nameCable(rig, at.cable.id)}` : '';
  return goal === 'resonance'
    ? `Add a capacitor${where}, to ${formatQuantity(rig.electrical.approach.wantedHz.value, 'frequency', units)}`
    : `Add a capacitor${where}, to what the reference cable has`;
}
