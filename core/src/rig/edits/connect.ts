import type { Cable } from '../../gear';
import { claimIds } from '../ids';
import { done, refused, type EditKind } from './editKind';
import { findRow, noRow, withRow } from './row';

/** One connection of a row gets a cable, or loses it. */
export interface ConnectEdit {
  readonly kind: 'connect';
  readonly row: string;
  readonly at: number;
  readonly cable: Cable | null;
}

export const CONNECT: EditKind<ConnectEdit> = {
  isStructural: true,
  touches: () => ['electrical'],
  apply: (rig, edit) => {
    const { at, cable } = edit;
    const row = findRow(rig, edit.row);
    if (!row) return noRow(edit.row);
    if (!Number.isInteger(at) || at < 0 || at >= row.cables.length)
      return refused(`Place ${at} is not in this row of ${row.cables.length} connections.`);
    const inverse = { ...edit, cable: row.cables[at]! };
    if (row.cables[at] === cable) return done(rig, inverse);
    const next = withRow(rig, { ...row, cables: row.cables.with(at, cable) });
    return done(claimIds(next, cable ? [cable.id] : []), inverse);
  },
};
