import {
  formatNumber,
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
import { useId, useState } from 'react';
import { FieldMessage } from '../../ui/FieldMessage';
import { useTypedNumber } from '../../ui/useTypedNumber';
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
                {part.price === null ? '' : formatNumber(part.price * part.missing, 2)}
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

/** How many there are; an empty field is none. */
function Count({ label, value, onChange }: CountProps) {
  const id = useId();
  const { shown, message, handlers } = useTypedNumber({
    label,
    value,
    max: MOST_OF_A_PART,
    isWhole: true,
    onChange,
    onNone: () => onChange(0),
  });
  return (
    <>
      <InputBase
        value={shown}
        error={message !== null}
        {...handlers}
        inputProps={{
          'aria-label': label,
          'aria-invalid': message !== null,
          'aria-describedby': message ? id : undefined,
          inputMode: 'numeric',
        }}
        sx={{ ...FIELD, width: 54 }}
      />
      <FieldMessage id={id} message={message} />
    </>
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
