import { create, type Delta } from 'jsondiffpatch';
import { partsOf, type Rig, type RigParts } from '../rig';

/// What is another between two revisions: as a value that makes the second of the first, and in words (`sayDifference`).

/** What is another, part by part; undefined where nothing is. Its form is that of jsondiffpatch. */
export type RigDifference = Delta;

const KEYS = ['id', 'key'] as const;

/** Entries of a list are told apart by their ids; jacks, slats and switches, which have none, by what they are. */
const hashOf = (entry: object | null, index?: number): string => {
  // A cable that is missing.
  if (entry === null) return `none ${index}`;
  for (const key of KEYS) {
    const value = (entry as Readonly<Record<string, unknown>>)[key];
    if (typeof value === 'string') return value;
  }
  return `${index} ${JSON.stringify(entry)}`;
};

const differ = create({
  objectHash: hashOf,
  arrays: { detectMove: true },
  cloneDiffValues: true,
});

/** A plain copy: what an optional field does not say is not there, as in a document that was read. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** What of a rig is compared: all but its pins and its counters, which nobody sees. */
const compared = (rig: Rig): RigParts => partsOf(rig);

/** What has to be done to the first to have the second. */
export const rigDifference = (before: Rig, after: Rig): RigDifference =>
  differ.diff(plain(compared(before)), plain(compared(after)));

/** The parts of a rig after a difference from it. */
export function applyRigDifference(before: Rig, difference: RigDifference): RigParts {
  return differ.patch(
    plain(compared(before)),
    difference === undefined ? difference : plain(difference),
  ) as RigParts;
}
