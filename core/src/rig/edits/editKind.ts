import type { Rig } from '../rig';

/** What one edit came to: the rig after it and the edit of the same kind that takes it back, or why not. */
export type KindResult<E> =
  | { readonly kind: 'ok'; readonly rig: Rig; readonly inverse: E }
  | { readonly kind: 'refused'; readonly message: string };

/** A part of the document that an edit can change. */
export type Touched = Exclude<keyof Rig, 'format' | 'nextIds'>;

/** All that there is to know of one kind of edit. */
export interface EditKind<E> {
  /** Whether everything that holds between the parts has to be looked at again after it. */
  readonly isStructural: boolean;
  /** Which parts it may change; all others stay the same by identity. */
  readonly touches: (edit: E) => readonly Touched[];
  /** Gives the same rig back, by identity, where nothing changes. */
  readonly apply: (rig: Rig, edit: E) => KindResult<E>;
}

export const refused = (message: string): { kind: 'refused'; message: string } => ({
  kind: 'refused',
  message,
});

export const done = <E>(rig: Rig, inverse: E): KindResult<E> => ({ kind: 'ok', rig, inverse });
