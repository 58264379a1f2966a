import type { SwitchState } from '../switchState';
import { done, type EditKind } from './editKind';

/** Switches by id, the guitar that plays, what has no power: what is not named stays. */
export interface SwitchEdit extends Partial<SwitchState> {
  readonly kind: 'switch';
}

const isSameList = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((id, i) => id === b[i]);

export const SWITCH: EditKind<SwitchEdit> = {
  isStructural: true,
  touches: () => ['state'],
  apply: (rig, edit) => {
    const { state } = rig;
    const changes = Object.entries(edit.positions ?? {});
    const before = Object.fromEntries(changes.map(([id]) => [id, state.positions[id] ?? false]));
    const { playing = state.playing, unpowered = state.unpowered } = edit;
    const inverse: SwitchEdit = {
      kind: 'switch',
      positions: before,
      playing: state.playing,
      unpowered: state.unpowered,
    };
    const isSame =
      changes.every(([id, on]) => before[id] === on) &&
      playing === state.playing &&
      isSameList(unpowered, state.unpowered);
    if (isSame) return done(rig, inverse);
    const positions: Record<string, boolean> = { ...state.positions };
    for (const [id, on] of changes) {
      if (on) positions[id] = true;
      else delete positions[id];
    }
    return done({ ...rig, state: { positions, playing, unpowered } }, inverse);
  },
};
