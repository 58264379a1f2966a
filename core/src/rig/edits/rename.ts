import { checkName } from '../checkName';
import { done, refused, type EditKind } from './editKind';
import { findPart, missing, partOfTarget, withPart, type NamedTarget } from './target';

/** The name of a part, or of the rig itself. */
export interface RenameEdit {
  readonly kind: 'rename';
  readonly target: NamedTarget;
  readonly to: string;
}

export const RENAME: EditKind<RenameEdit> = {
  isStructural: false,
  touches: ({ target }) => [partOfTarget(target)],
  apply: (rig, edit) => {
    const [problem] = checkName(edit.to, 'name');
    if (problem) return refused(problem.message);
    const part = findPart(rig, edit.target);
    if (!part || !('name' in part)) return missing(edit.target);
    const inverse = { ...edit, to: part.name as string };
    if (part.name === edit.to) return done(rig, inverse);
    return done(withPart(rig, edit.target, { ...part, name: edit.to }), inverse);
  },
};
