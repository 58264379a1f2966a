import { claimIds, idsIn } from '../ids';
import { partsOf, type RigParts } from '../rig';
import { done, type EditKind } from './editKind';

/** Everything but the pins as it was when it was pinned. */
export interface RestoreEdit {
  readonly kind: 'restore';
  readonly rig: RigParts;
}

export const RESTORE: EditKind<RestoreEdit> = {
  isStructural: true,
  touches: () => ['electrical', 'state', 'layout', 'power', 'build', 'book', 'texts'],
  apply: (rig, edit) =>
    done(claimIds({ ...rig, ...edit.rig }, idsIn(edit.rig)), {
      kind: 'restore',
      rig: partsOf(rig),
    }),
};
