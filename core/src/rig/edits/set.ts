import type { Sourced } from '../../gear';
import { setInPart } from '../partEdits';
import { done, type EditKind } from './editKind';
import { findPart, missing, partOfTarget, withPart, type Target } from './target';

/** One number of one part. */
export interface SetEdit {
  readonly kind: 'set';
  readonly target: Target;
  readonly field: string;
  readonly to: Sourced;
}

export const SET: EditKind<SetEdit> = {
  isStructural: false,
  touches: ({ target }) => [partOfTarget(target)],
  apply: (rig, edit) => {
    const part = findPart(rig, edit.target);
    if (!part) return missing(edit.target);
    const change = setInPart(edit.target.of, part, edit.field, edit.to);
    if (change.kind === 'refused') return change;
    const after = change.part === part ? rig : withPart(rig, edit.target, change.part);
    return done(after, { ...edit, to: change.before });
  },
};
