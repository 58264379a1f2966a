import { LONGEST_NAME, LONGEST_NOTE } from '../../gear';
import { done, refused, type EditKind } from './editKind';

/** Who plays the rig, or what is to be said of it. */
export interface DescribeEdit {
  readonly kind: 'describe';
  readonly field: 'player' | 'note';
  readonly to: string;
}

export const DESCRIBE: EditKind<DescribeEdit> = {
  isStructural: false,
  touches: () => ['texts'],
  apply: (rig, edit) => {
    const { field, to } = edit;
    const most = field === 'player' ? LONGEST_NAME : LONGEST_NOTE;
    if (to.length > most) return refused(`${field}: ${to.length} characters, at most ${most}.`);
    const before = rig.texts[field];
    const after = before === to ? rig : { ...rig, texts: { ...rig.texts, [field]: to } };
    return done(after, { ...edit, to: before });
  },
};
