import { withElectrical } from '../chain';
import type { Row } from '../electrical';
import type { Rig } from '../rig';
import { refused } from './editKind';

/// What edits of a row have in common.

export const findRow = ({ electrical }: Rig, id: string): Row | undefined =>
  electrical.rows.find((row) => row.id === id);

export const noRow = (id: string) => refused(`There is no row “${id}” in this rig.`);

export const withRow = (rig: Rig, row: Row): Rig =>
  withElectrical(rig, {
    rows: rig.electrical.rows.map((other) => (other.id === row.id ? row : other)),
  });
