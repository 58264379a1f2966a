import type { Cable, Destination, Device, Guitar } from '../../gear';
import { done, type EditKind } from './editKind';
import { findPart, missing, withPart, type Target } from './target';

export type ReplacedPart =
  | { readonly of: 'guitar'; readonly to: Guitar }
  | { readonly of: 'destination'; readonly to: Destination }
  | { readonly of: 'device'; readonly to: Device }
  | { readonly of: 'cable'; readonly to: Cable };

/** A whole part by another, under the same id. */
export interface ReplaceEdit {
  readonly kind: 'replace';
  readonly part: ReplacedPart;
}

export const REPLACE: EditKind<ReplaceEdit> = {
  isStructural: true,
  touches: () => ['electrical'],
  apply: (rig, { part: { of, to } }) => {
    const target: Target = { of, id: to.id };
    const before = findPart(rig, target);
    if (!before) return missing(target);
    const part = { of, to: before } as ReplacedPart;
    return done(withPart(rig, target, to), { kind: 'replace', part });
  },
};
