import { LEAD_CLASSES, type Lead } from '../gear';
import { nameLead } from '../figures';
import { formatQuantity, type UnitSystem } from '../quantity';
import { findDevice, findLead, type Rig } from '../rig';
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
    case 'pot':
      return `Put a ${formatQuantity(action.potOhm, 'resistance', units)} track into ${name(action.device)}`;
    case 'leadKind':
      return sayLeadKind(rig, action, units);
    case 'leadLength':
      return sayLength(rig, action, units);
    case 'standIn':
      return `Fit a stand-in for the pickup ahead of ${name(action.device)}`;
    case 'capacitor':
      return sayCapacitor(rig, action, units);
  }
}

/** "a buffer", "an ordinary buffer"; a name of its own stays as it is. */
const article = (name: string): string => (name === 'buffer' ? 'an ordinary buffer' : name);

/** "between Skiff and Ember", "in front of Skiff", "at the end, behind Ember". */
function sayGap(rig: Rig, before: string | null, moved?: string): string {
  const devices = rig.rows[0]!.devices.filter(({ id }) => id !== moved);
  const at = before === null ? devices.length : devices.findIndex(({ id }) => id === before);
  const [left, right] = [devices[at - 1], devices[at]];
  if (!right) return left ? `${moved ? 'to' : 'at'} the end, behind ${left.name}` : 'on the board';
  return left ? `between ${left.name} and ${right.name}` : `first, in front of ${right.name}`;
}

type ActionOf<K extends MoveAction['kind']> = Extract<MoveAction, { kind: K }>;

function sayLeadKind(rig: Rig, { leads, like }: ActionOf<'leadKind'>, units: UnitSystem): string {
  const kind = sayKind(like, units);
  if (leads.length > 1) return `Change the ${leads.length} patches for ${kind}`;
  return `Change ${nameLead(rig, leads[0]!)} for ${kind}`;
}

function sayKind(like: Lead, units: UnitSystem): string {
  const each = formatQuantity(like.cPerMF.value, 'capacitancePerLength', units);
  if (like.gear) return `${like.name} (${each})`;
  return `a ${LEAD_CLASSES[like.leadClass].label} lead (${each})`;
}

function sayLength(
  rig: Rig,
  { lead: id, lengthM }: ActionOf<'leadLength'>,
  units: UnitSystem,
): string {
  const isCut = lengthM < (findLead(rig, id)?.lengthM.value ?? 0);
  const to = formatQuantity(lengthM, 'length', units);
  return isCut ? `Shorten ${nameLead(rig, id)} to ${to}` : `Lengthen ${nameLead(rig, id)} to ${to}`;
}

function sayCapacitor(rig: Rig, { goal }: ActionOf<'capacitor'>, units: UnitSystem): string {
  const at = capacitorPlace(rig);
  const where = at ? ` in the plug of ${nameLead(rig, at.lead.id)}` : '';
  return goal === 'resonance'
    ? `Add a capacitor${where}, to ${formatQuantity(rig.approach.wantedHz.value, 'frequency', units)}`
    : `Add a capacitor${where}, to what the reference lead has`;
}
