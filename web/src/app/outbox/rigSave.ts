import type { Problem, SavedRig, UpdatedRig } from '@gullwind/contract';
import { mergeState } from '@gullwind/core';
import type { Operation } from './operation';
import type { RigSave } from './unsavedRig';

/// A rig as it is saved, and what becomes of a save that others were quicker than.

/** A save whose earlier one was answered, or whose rig has just been made, starts from what that one made; switches moved elsewhere come along. */
export function followSave(
  args: RigSave,
  earlier: Pick<Operation, 'name' | 'args'>,
  data: unknown,
): RigSave {
  if (earlier.name === 'createRig') {
    const { revision, lineage } = data as SavedRig;
    return { ...args, basedOn: revision, lineage };
  }
  if (earlier.name !== 'saveRig') return args;
  const before = earlier.args as RigSave;
  const { revision, lineage, state } = data as UpdatedRig;
  // Foot-switches alone are kept whatever the rest has become: it is still edited from what it was.
  const isBase = before.isStateAlone !== true || revision === before.basedOn;
  const base = { ...before.rig, state };
  const merged = mergeState(args.rig, before.rig.state, args.rig.state, state);
  return {
    ...args,
    rig: merged === args.rig.state ? args.rig : { ...args.rig, state: merged },
    stateFrom: state,
    isStateAlone: false,
    ...(isBase && { basedOn: revision, lineage, base }),
  };
}

/** What a refusal makes of a save; what puts two rigs together is loaded when it is needed. */
export const resolveSave = async (args: RigSave, problem: Problem, latest: RigSave) =>
  (await import('./mergeSave')).resolveSave(args, problem, latest);
