import type { Rig } from '../rig';
import { done, type KindResult } from './editKind';

/** Several as one: all or none. */
export interface GroupEdit<E> {
  readonly kind: 'group';
  readonly edits: readonly E[];
}

/** @param apply how each of them is applied */
export function applyGroup<E>(
  rig: Rig,
  { edits }: GroupEdit<E>,
  apply: (rig: Rig, edit: E) => KindResult<E>,
): KindResult<GroupEdit<E>> {
  const inverses: E[] = [];
  let now = rig;
  for (const edit of edits) {
    const result = apply(now, edit);
    if (result.kind === 'refused') return result;
    now = result.rig;
    inverses.unshift(result.inverse);
  }
  return done(now, { kind: 'group', edits: inverses });
}
