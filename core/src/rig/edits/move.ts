import { done, refused, type EditKind } from './editKind';
import { findRow, noRow, withRow } from './row';

/** The device at one index of a row goes to another; cables stay where they are. */
export interface MoveEdit {
  readonly kind: 'move';
  readonly row: string;
  readonly from: number;
  readonly to: number;
}

export const MOVE: EditKind<MoveEdit> = {
  isStructural: false,
  touches: () => ['electrical'],
  apply: (rig, edit) => {
    const { from, to } = edit;
    const row = findRow(rig, edit.row);
    if (!row) return noRow(edit.row);
    const isInside = (i: number) => Number.isInteger(i) && i >= 0 && i < row.devices.length;
    if (!isInside(from) || !isInside(to))
      return refused(
        `Place ${isInside(from) ? to : from} is not in this row of ${row.devices.length} devices.`,
      );
    const inverse = { ...edit, from: to, to: from };
    if (from === to) return done(rig, inverse);
    const devices = row.devices.toSpliced(from, 1).toSpliced(to, 0, row.devices[from]!);
    return done(withRow(rig, { ...row, devices }), inverse);
  },
};
