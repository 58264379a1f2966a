import {
  LONGEST_NAME,
  MOST_OF_A_PART,
  withPartAtHand,
  type Edit,
  type NeededPart,
  type PartAtHand,
  type Rig,
} from '@gullwind/core';
import {
  InputBase,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import type { BuildNow } from './useBuild';

interface Props {
  readonly rig: Rig;
  readonly now: BuildNow;
  readonly onEdit: (edit: Edit) => void;
}

const HEADS = [
  'what',
  'needed',
  'with spares',
  'owned',
  'ordered',
  'arrived',
  'who buys',
  'to buy',
  'price',
];

const amount = (count: number, { unit }: NeededPart): string =>
  unit === 'm' ? `${count} m` : String(count);

/** What has to be there, what is, and who gets the rest. */
export function PartsView({ rig, now, onEdit }: Props) {
  const change = (to: PartAtHand) =>
    onEdit({ kind: 'assign', field: 'parts', to: withPartAtHand(rig.build.parts, to) });
  return (
    <>
      <Typography variant="body2" sx={{ my: 0.5 }}>
        Steps wait for what has been ordered or is somebody’s to buy, until enough has come. Prices
        are in the money of the gear list.
      </Typography>
      <Table size="small" aria-label="Parts">
        <TableHead>
          <TableRow>
            {HEADS.map((head) => (
              <TableCell key={head}>{head}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {now.parts.map((part) => (
            <TableRow key={part.key}>
              <TableCell component="th" scope="row">
                {part.name}
              </TableCell>
              <TableCell>{amount(part.needed, part)}</TableCell>
              <TableCell>{amount(part.wanted, part)}</TableCell>
              {(['owned', 'ordered', 'arrived'] as const).map((key) => (
                <TableCell key={key}>
                  <Count
                    label={`${part.name}, ${key}`}
                    value={part.atHand[key]}
                    onChange={(value) => change({ ...part.atHand, [key]: value })}
                  />
                </TableCell>
              ))}
              <TableCell>
                <Words
                  label={`${part.name}, who buys`}
                  value={part.atHand.buyer}
                  onChange={(buyer) => change({ ...part.atHand, buyer })}
                />
              </TableCell>
              <TableCell sx={{ fontWeight: part.missing > 0 ? 600 : 400 }}>
                {amount(part.missing, part)}
              </TableCell>
              <TableCell>
                {part.price === null ? '' : (part.price * part.missing).toFixed(2)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </>
  );
}

interface CountProps {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

const FIELD = { borderBottom: 1, borderColor: 'divider', fontSize: 15, minHeight: 36 } as const;

/** A whole number; what is none is marked, and not taken. */
function Count({ label, value, onChange }: CountProps) {
  const [text, setText] = useState<string | null>(null);
  const read = Number(text ?? value);
  const isWrong = !Number.isInteger(read) || read < 0 || read > MOST_OF_A_PART;
  const commit = () => {
    if (text !== null && !isWrong && read !== value) onChange(read);
    if (!isWrong) setText(null);
  };
  return (
    <InputBase
      value={text ?? value}
      error={isWrong}
      title={isWrong ? `${label}: a whole number between 0 and ${MOST_OF_A_PART}` : undefined}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setText(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      inputProps={{ 'aria-label': label, 'aria-invalid': isWrong, inputMode: 'numeric' }}
      sx={{ ...FIELD, width: 54 }}
    />
  );
}

interface WordsProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

function Words({ label, value, onChange }: WordsProps) {
  const [text, setText] = useState<string | null>(null);
  const commit = () => {
    if (text !== null && text.trim() !== value) onChange(text.trim());
    setText(null);
  };
  return (
    <InputBase
      value={text ?? value}
      onChange={(event) => setText(event.target.value.slice(0, LONGEST_NAME))}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      inputProps={{ 'aria-label': label }}
      sx={{ ...FIELD, width: 96 }}
    />
  );
}
