import { formatQuantity, type UnitSystem } from '../quantity';
import type { BoardPlan } from './board';
import type { Conflict, Solid } from './conflict';

/// What is in the way, in words.

/** What a case, or a plug in it, is called. */
function saySolid(plan: BoardPlan, { thing, plug }: Solid): string {
  const name = sayThing(plan, thing);
  if (!plug) return name;
  const at = plan.plugs.find(({ cable, end }) => cable === plug.cable && end === plug.end);
  return at ? `the plug at ${name}, ${at.jack.out === 'back' ? 'back' : at.jack.out}` : name;
}

export const sayThing = ({ things }: BoardPlan, id: string): string =>
  things.find((thing) => thing.id === id)?.name ?? id;

/** "Gristle to Rope Burn", "DC to Gristle". */
export function sayWire(plan: BoardPlan, id: string): string {
  const connection = plan.wires.find((wire) => wire.connection.id === id)?.connection;
  if (!connection) return id;
  const [from, to] = [connection.from, connection.to].map(
    (one) => one && sayThing(plan, one.thing),
  );
  const carries = connection.carries === 'audio' ? '' : `${connection.name}: `;
  if (from && to) return `${carries}${from} to ${to}`;
  return `${carries}${from ? `from ${from}` : `to ${to ?? 'nowhere'}`}`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** One sentence without a full stop: what is in the way of what, and how much is missing. */
export function sayConflict(plan: BoardPlan, conflict: Conflict, units: UnitSystem): string {
  return capital(
    sentence(plan, conflict, (m) =>
      formatQuantity(Math.ceil(m * 1000 - 1e-6) / 1000, 'size', units),
    ),
  );
}

function sentence(plan: BoardPlan, conflict: Conflict, size: (m: number) => string): string {
  const name = (id: string) => sayThing(plan, id);
  switch (conflict.kind) {
    case 'overlap':
      return `${saySolid(plan, conflict.one)} and ${saySolid(plan, conflict.other)}: ${size(conflict.missingM)} missing`;
    case 'overhang':
      return `${name(conflict.thing)} hangs ${size(conflict.missingM)} over the edge`;
    case 'below':
      return `${name(conflict.thing)} is ${size(conflict.missingM)} too high to hang below`;
    case 'support':
      return `${name(conflict.thing)} tips when it is stepped on: its switch is ${size(conflict.missingM)} beside what carries it`;
    case 'noJack':
      return `${name(conflict.thing)} has no jack for ${sayWire(plan, conflict.cable)}: its case says none`;
    case 'noWay':
      return `no way for the cable ${sayWire(plan, conflict.cable)}`;
    case 'tooShort':
      return `the cable ${sayWire(plan, conflict.cable)} is fixed and ${size(conflict.missingM)} too short`;
    case 'tooLong':
      return `the cable ${sayWire(plan, conflict.cable)} is fixed and ${size(conflict.missingM)} longer than its way: it lies in a coil`;
    case 'coupler':
      return `the coupler ${sayWire(plan, conflict.cable)} does not meet both jacks: ${size(conflict.missingM)} off`;
    case 'foot':
      return `${name(conflict.thing)}: ${conflict.isHit ? 'you will hit' : 'mind'} ${name(conflict.other)}${conflict.isHit ? ' too' : ''}, ${size(conflict.freeM)} across, wanted ${size(conflict.wantedM)}`;
    case 'stepOver':
      return `${name(conflict.thing)} stands behind ${name(conflict.other)}: the foot passes ${size(conflict.missingM)} too low`;
  }
}
