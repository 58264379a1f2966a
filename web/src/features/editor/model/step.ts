import type { Edit, Rig } from '@gullwind/core';

/** What undo takes back: an edit, or a whole rig put in another's place. */
export type Step =
  { readonly kind: 'edit'; readonly edit: Edit } | { readonly kind: 'whole'; readonly rig: Rig };

/** What can be undone and redone. */
export interface History {
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}
