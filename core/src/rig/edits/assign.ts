import type { Rig, RigParts } from '../rig';
import { done, type EditKind } from './editKind';

/** Values that are replaced whole, each with the part it lies in. */
const PART_OF = {
  links: 'electrical',
  ownDestination: 'electrical',
  dismissed: 'texts',
  brief: 'texts',
  ends: 'layout',
  neverMissed: 'layout',
  laying: 'layout',
  apart: 'power',
  oneBox: 'power',
  ways: 'build',
  parts: 'build',
  walked: 'book',
  caseKg: 'book',
} as const satisfies Readonly<Record<string, keyof RigParts>>;

type Assigned = keyof typeof PART_OF;
type PartOf<K extends Assigned> = RigParts[(typeof PART_OF)[K]];

/** One value that is replaced whole. */
export type AssignEdit = {
  readonly [K in Assigned]: {
    readonly kind: 'assign';
    readonly field: K;
    readonly to: PartOf<K>[K & keyof PartOf<K>];
  };
}[Assigned];

export const ASSIGN: EditKind<AssignEdit> = {
  isStructural: true,
  touches: ({ field }) => [PART_OF[field]],
  apply: (rig, edit) => {
    const part = PART_OF[edit.field];
    const before = (rig[part] as unknown as Readonly<Record<string, unknown>>)[edit.field];
    const after: Rig =
      before === edit.to ? rig : { ...rig, [part]: { ...rig[part], [edit.field]: edit.to } };
    return done(after, { ...edit, to: before } as AssignEdit);
  },
};
