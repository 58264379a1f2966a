import { FIELD_RULES, formatQuantity, type ItemOf, type UnitSystem } from '@gullwind/core';
import { Box, Button, Radio, Typography } from '@mui/material';
import { ChooseThenAdd } from '../../../ui/ChooseThenAdd';
import { PlainQuantityField } from '../../../ui/PlainQuantityField';
import { pieceOf, type Way } from '../model/cableFinding';
import type { MeasuredPiece } from '../model/pieces';
import type { Pieces } from './usePieces';

interface Props {
  readonly way: Way;
  readonly pieces: Pieces;
  readonly cables: readonly ItemOf<'cable'>[];
  readonly units: UnitSystem;
}

/** What lies on the bench, piece by piece; one of them is at the meter. */
export function PieceLines({ way, pieces, cables, units }: Props) {
  const shown = way === 'one' ? [pieces.at] : pieces.pieces;
  const last = pieces.pieces.at(-1)!;
  return (
    <Box component="section" aria-label="Pieces" sx={{ maxWidth: 620, my: 1 }}>
      {shown.map((piece) => (
        <PieceLine
          key={piece.key}
          piece={piece}
          name={cables.find(({ id }) => id === piece.gear)?.thing.name ?? ''}
          isAlone={shown.length === 1}
          pieces={pieces}
          units={units}
        />
      ))}
      {way === 'lengths' && (
        <Button
          size="small"
          onClick={() => pieces.add({ gear: last.gear, lengthM: nextLength(pieces.pieces) })}
        >
          Another length of it
        </Button>
      )}
      {way === 'compare' && (
        <ChooseThenAdd
          label="A cable to compare with"
          placeholder="another cable …"
          options={cables.map(({ id, thing }) => [id, thing.name] as const)}
          onAdd={(id) => pieces.add(pieceOf(cables.find((one) => one.id === id)!))}
        />
      )}
    </Box>
  );
}

/** A length that is not there yet: short and long ones tell most of a line. */
const LENGTHS_M = [1, 3, 6, 10, 0.5, 2, 4, 8, 12, 15];
const nextLength = (pieces: readonly MeasuredPiece[]): number =>
  LENGTHS_M.find((length) => pieces.every(({ lengthM }) => Math.abs(lengthM - length) > 0.01)) ??
  20;

const LINE = {
  display: 'grid',
  gridTemplateColumns: 'auto minmax(0, 1.2fr) 190px minmax(0, 1fr) auto',
  alignItems: 'center',
  columnGap: 1,
  borderBottom: 1,
  borderColor: 'divider',
} as const;

interface LineProps {
  readonly piece: MeasuredPiece;
  readonly name: string;
  readonly isAlone: boolean;
  readonly pieces: Pieces;
  readonly units: UnitSystem;
}

function PieceLine({ piece, name, isAlone, pieces, units }: LineProps) {
  const { key, lengthM, summary } = piece;
  const length = formatQuantity(lengthM, 'length', units);
  return (
    <Box sx={LINE}>
      <Radio
        size="small"
        checked={pieces.at.key === key}
        onChange={() => pieces.lookAt(key)}
        slotProps={{ input: { 'aria-label': `${name}, ${length}: at the meter` } }}
        sx={{ p: 0.5 }}
      />
      <Typography variant="body2" noWrap title={name}>
        {name}
      </Typography>
      <PlainQuantityField
        rule={FIELD_RULES.cable.lengthM}
        label="Length"
        value={lengthM}
        units={units}
        onChange={(value) => pieces.setLength(key, value)}
      />
      <Typography variant="body2" sx={{ textAlign: 'right' }}>
        {summary ? formatQuantity(summary.median, 'capacitance', units, 4) : 'not read yet'}
      </Typography>
      <Button size="small" disabled={isAlone} onClick={() => pieces.remove(key)}>
        Away
      </Button>
    </Box>
  );
}
