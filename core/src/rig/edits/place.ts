import isEqual from 'fast-deep-equal';
import { checkPlacement } from '../checkLayout';
import type { Placement } from '../layout';
import { done, refused, type EditKind } from './editKind';

/** Where a thing stands from now on; null is nowhere yet. */
export interface PlaceEdit {
  readonly kind: 'place';
  readonly id: string;
  readonly to: Placement | null;
}

export const placeEdit = (id: string, to: Placement | null): PlaceEdit => ({
  kind: 'place',
  id,
  to,
});

export const PLACE: EditKind<PlaceEdit> = {
  isStructural: false,
  touches: () => ['layout'],
  apply: (rig, edit) => {
    const { placements } = rig.layout;
    const before = Object.hasOwn(placements, edit.id) ? placements[edit.id]! : null;
    const [problem] = edit.to ? checkPlacement(edit.to, 'to') : [];
    if (problem) return refused(problem.message);
    if (isEqual(before, edit.to)) return done(rig, edit);
    const { [edit.id]: _, ...others } = placements;
    const after = edit.to ? { ...placements, [edit.id]: edit.to } : others;
    return done({ ...rig, layout: { ...rig.layout, placements: after } }, { ...edit, to: before });
  },
};
