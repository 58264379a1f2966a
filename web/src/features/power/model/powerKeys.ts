import { changeFeed, unhang, type Edit, type Feedings, type Rig } from '@gullwind/core';
import { hangBeside } from './hanging';
import { isSamePick, NOTHING, type Picked } from './sayPower';

/// What a key means on the delta; its entry among the stages lists them.

/** What the keys know of the power. */
export interface PowerNow {
  readonly rig: Rig;
  readonly feedings: Feedings;
  readonly picked: Picked;
}

export type PowerAct =
  | { readonly does: 'edit'; readonly edit: Edit }
  | { readonly does: 'pick'; readonly picked: Picked }
  | { readonly does: 'propose' }
  | { readonly does: 'goToPanel' };

/** What a key does; null where it means nothing here. */
export function powerAct(
  now: PowerNow,
  { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean },
): PowerAct | null {
  const { rig, feedings, picked } = now;
  const thing = picked.of === 'thing' ? picked.id : null;
  switch (key.length === 1 ? key.toLowerCase() : key) {
    case 'ArrowDown':
    case 'ArrowUp': {
      const by = key === 'ArrowDown' ? 1 : -1;
      if (!shiftKey) return next(now, by);
      return thing === null ? null : editing(hangBeside(rig, feedings, thing, by));
    }
    case 'Delete':
    case 'Backspace':
      return thing === null ? null : editing(unhang(rig, thing));
    case 'f': {
      const feed = thing === null ? undefined : feedings.fed.get(thing)?.feed;
      return feed ? editing(changeFeed(rig, feed.consumer, { isFixed: !feed.isFixed })) : null;
    }
    case 'p':
      return { does: 'propose' };
    case 'Escape':
      return { does: 'pick', picked: NOTHING };
    case 'i':
      return { does: 'goToPanel' };
    default:
      return null;
  }
}

const editing = (edit: Edit | null): PowerAct | null => edit && { does: 'edit', edit };

/** The next place down or up, round and round. */
function next({ feedings, picked }: PowerNow, by: 1 | -1): PowerAct | null {
  const places = placesIn(feedings);
  if (places.length === 0) return null;
  const at = places.findIndex((one) => isSamePick(one, picked));
  const from = at < 0 && by < 0 ? 0 : at;
  return { does: 'pick', picked: places[(from + by + places.length) % places.length]! };
}

/** Every place on the delta, from top to bottom. */
function placesIn({ supplies, consumers, fed }: Feedings): readonly Picked[] {
  const hung = supplies.flatMap(({ supply, outlets }): Picked[] => [
    { of: 'supply', id: supply.id },
    ...outlets.flatMap(({ outlet, hung: things }): Picked[] => [
      { of: 'outlet', supply: supply.id, outlet },
      ...things.map(({ consumer }): Picked => ({ of: 'thing', id: consumer.id })),
    ]),
  ]);
  const loose = consumers.filter(({ id }) => !fed.has(id));
  return [...hung, ...loose.map(({ id }): Picked => ({ of: 'thing', id }))];
}
