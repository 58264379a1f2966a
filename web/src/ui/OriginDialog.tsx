import { checkSourced, type FieldRule, type Sourced } from '@gullwind/core';
import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  type TextFieldProps,
} from '@mui/material';
import { useState, type SyntheticEvent } from 'react';
import { FieldMessage } from './FieldMessage';

interface Props {
  readonly label: string;
  readonly rule: FieldRule;
  readonly value: Sourced;
  readonly onClose: () => void;
  readonly onChange: (value: Sourced) => void;
}

/** When a value was found, by what, and how far it may be off. */
export function OriginDialog({ label, rule, value, onClose, onChange }: Props) {
  const [on, setOn] = useState(value.on ?? '');
  const [by, setBy] = useState(value.by ?? '');
  const [share, setShare] = useState(
    value.tolerance === undefined ? '' : String(Number((value.tolerance * 100).toPrecision(6))),
  );
  const [message, setMessage] = useState<string | null>(null);
  const keep = (event: SyntheticEvent) => {
    event.preventDefault();
    const tolerance = readShare(share);
    const to: Sourced = {
      value: value.value,
      from: value.from,
      ...(tolerance === undefined ? {} : { tolerance }),
      ...(on === '' ? {} : { on }),
      ...(by.trim() === '' ? {} : { by: by.trim() }),
    };
    const problem = checkSourced(rule, to);
    if (problem) return setMessage(problem.message);
    onChange(to);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="origin-title">
      <form onSubmit={keep} noValidate>
        <DialogTitle id="origin-title">{label}: where it comes from</DialogTitle>
        <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
          <Line label="Day" type="date" value={on} onChange={setOn} />
          <Line label="Instrument, sheet, or whose guess" value={by} onChange={setBy} />
          <Line
            label="± %, where it is known"
            value={share}
            onChange={setShare}
            helperText="Empty: what is usual for its kind."
          />
          <FieldMessage message={message} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>As it was</Button>
          <Button type="submit" variant="contained">
            Keep
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

interface LineProps extends Pick<TextFieldProps, 'type' | 'helperText'> {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

function Line({ onChange, ...line }: LineProps) {
  const isDate = line.type === 'date';
  return (
    <TextField
      {...line}
      size="small"
      onChange={(event) => onChange(event.target.value)}
      slotProps={isDate ? { inputLabel: { shrink: true } } : {}}
      sx={isDate ? { mt: 1 } : {}}
    />
  );
}

/** "5", "5 %" or "5,5" as a share; what is no number is refused by the check behind. */
function readShare(text: string): number | undefined {
  const cleaned = text.replace('%', '').replace(',', '.').trim();
  return cleaned === '' ? undefined : Number(cleaned) / 100;
}
