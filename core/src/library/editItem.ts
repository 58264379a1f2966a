import type { GearItem, Qualities, Sourced, Things } from '../gear';
import { chooseInPart, setInPart } from '../rig';
import { checkItem } from './checkItem';

/** A change to an entry of the gear list. */
export type ItemEdit =
  | { readonly kind: 'set'; readonly field: string; readonly to: Sourced }
  | { readonly kind: 'choose'; readonly field: string; readonly to: string | boolean }
  | { readonly kind: 'rename'; readonly to: string }
  | { readonly kind: 'describe'; readonly to: string }
  | { readonly kind: 'quality'; readonly to: Partial<Qualities> }
  | { readonly kind: 'retire'; readonly to: boolean }
  | { readonly kind: 'replace'; readonly to: Things[keyof Things] };

export type ItemResult =
  | { readonly kind: 'ok'; readonly item: GearItem }
  | { readonly kind: 'refused'; readonly message: string };

/** The entry after an edit; the same one, by identity, where nothing changes. */
export function editItem(item: GearItem, edit: ItemEdit): ItemResult {
  const result = apply(item, edit);
  if (result.kind === 'refused' || result.item === item) return result;
  const [problem] = checkItem(result.item);
  return problem ? { kind: 'refused', message: problem.message } : result;
}

function apply(item: GearItem, edit: ItemEdit): ItemResult {
  const done = (change: object): ItemResult => ({
    kind: 'ok',
    item: { ...item, ...change } as GearItem,
  });
  switch (edit.kind) {
    case 'set': {
      const change = setInPart(item.kind, item.thing, edit.field, edit.to);
      if (change.kind === 'refused') return change;
      return change.part === item.thing ? { kind: 'ok', item } : done({ thing: change.part });
    }
    case 'choose': {
      const change = chooseInPart(item.kind, item.thing, edit.field, edit.to);
      if (change.kind === 'refused') return change;
      return change.part === item.thing ? { kind: 'ok', item } : done({ thing: change.part });
    }
    case 'rename':
      return done({ thing: { ...item.thing, name: edit.to } });
    case 'describe':
      return done({ note: edit.to });
    case 'quality':
      return done({ qualities: { ...item.qualities, ...edit.to } });
    case 'retire':
      return edit.to === item.retired ? { kind: 'ok', item } : done({ retired: edit.to });
    case 'replace':
      return done({ thing: edit.to });
  }
}
