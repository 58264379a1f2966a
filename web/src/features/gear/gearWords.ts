import { gearOf, type GearItem } from '@gullwind/core';

/// What the gear list calls things.

/** Its class in a few words. */
export function sayClass(item: GearItem): string {
  const label = classLabel(item);
  switch (item.kind) {
    case 'guitar':
      return item.thing.kind === 'magnetic' ? label : item.thing.kind;
    case 'cable':
      return `${label}${item.qualities.form === 'reel' ? ', on a reel' : ''}`;
    case 'plug':
      return `${label}, ${item.thing.joint === 'soldered' ? 'soldered' : 'screwed on'}`;
    default:
      return label;
  }
}

/** What people call its class. */
export function classLabel({ kind, thing }: Pick<GearItem, 'kind' | 'thing'>): string {
  const { field, labels, usual } = gearOf(kind).classes;
  const of = field === null ? usual : (thing as unknown as Record<string, string>)[field]!;
  return labels[of]!;
}
