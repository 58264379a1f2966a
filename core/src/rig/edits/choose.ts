import { chooseInPart } from '../partEdits';
import { done, type EditKind } from './editKind';
import { findPart, missing, partOfTarget, withPart, type Target } from './target';

/** One word or yes/no of one part. */
export interface ChooseEdit {
  readonly kind: 'choose';
  readonly target: Target;
  readonly field: string;
  readonly to: string | boolean;
}

export const CHOOSE: EditKind<ChooseEdit> = {
  isStructural: true,
  touches: ({ target }) => [partOfTarget(target)],
  apply: (rig, edit) => {
    const part = findPart(rig, edit.target);
    if (!part) return missing(edit.target);
    const change = chooseInPart(edit.target.of, part, edit.field, edit.to);
    if (change.kind === 'refused') return change;
    const after = change.part === part ? rig : withPart(rig, edit.target, change.part);
    return done(after, { ...edit, to: change.before });
  },
};
