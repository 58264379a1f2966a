import { hang, unhang, type Edit, type Feedings, type Rig } from '@gullwind/core';

/// A thing hung elsewhere: onto an outlet, behind another thing, or off.

/** Where a hand can let go: "supply outlet", a thing, or the list of what is not fed. */
export interface DropTarget {
  readonly outlet?: string | undefined;
  readonly thing?: string | undefined;
  readonly unfed?: string | undefined;
}

/** What is lit up while a hand holds a thing there; a thing is not hung behind itself. */
export function overOf({ outlet, thing }: DropTarget, held: string): string | null {
  if (outlet !== undefined) return outlet;
  return thing === undefined || thing === held ? null : thing;
}

/** What letting go of a thing here does; null where it does nothing. */
export function dropOn(rig: Rig, thing: string, target: DropTarget): Edit | null {
  if (target.outlet !== undefined) {
    const [supply, outlet] = target.outlet.split(' ');
    return hang(rig, thing, { supply: supply!, outlet: Number(outlet) });
  }
  if (target.thing !== undefined && target.thing !== thing) {
    const head = rig.power.feeds.find(({ consumer }) => consumer === target.thing);
    if (!head) return null;
    const { supply, outlet, volts } = head;
    return hang(rig, thing, { supply, outlet, volts, after: target.thing });
  }
  return target.unfed === undefined ? null : unhang(rig, thing);
}

/** Onto the next free outlet down or up from where a thing hangs; null where there is none. */
export function hangBeside(rig: Rig, feedings: Feedings, id: string, by: 1 | -1): Edit | null {
  const outlets = feedings.supplies.flatMap(({ outlets: all }) => all);
  const feed = feedings.fed.get(id)?.feed;
  const at = outlets.findIndex(
    ({ supply, outlet }) => supply.id === feed?.supply && outlet === feed.outlet,
  );
  const from = at < 0 && by < 0 ? outlets.length : at;
  const isFree = (i: number): boolean => outlets[i]!.hung.length + outlets[i]!.helps.length === 0;
  for (let i = from + by; i >= 0 && i < outlets.length; i += by)
    if (isFree(i))
      return hang(rig, id, { supply: outlets[i]!.supply.id, outlet: outlets[i]!.outlet });
  return null;
}
