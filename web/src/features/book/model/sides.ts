import type { RevisionListing } from '@gullwind/contract';

/** A revision with its document, or the rig as it is now. */
export type Side = number | 'now';

const sayDay = (moment: string): string =>
  new Date(moment).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** What a revision is called in a list. */
export const sayRevision = ({ revision, name, savedAt }: RevisionListing): string =>
  `${name ?? `revision ${revision}`}, ${sayDay(savedAt)}`;

/** From which revision changes are told at first: the last one with a name that is not the rig as it is now, else the one before it. */
export function usualFrom(kept: readonly RevisionListing[], now: number): Side {
  const others = kept.filter(({ revision }) => revision !== now);
  const usual = others.find(({ name }) => name !== null) ?? others[0];
  return usual?.revision ?? 'now';
}

/** A side as it is chosen in a list, and back. */
export const sideOf = (value: string): Side => (value === 'now' ? 'now' : Number(value));
