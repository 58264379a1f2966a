import { LONGEST_NAME } from '@gullwind/core';
import { TextField } from '@mui/material';

interface Props {
  readonly value: string;
  readonly onChange: (name: string) => void;
}

/** Whose ears. */
export const ListenerField = ({ value, onChange }: Props) => (
  <TextField
    size="small"
    label="Who listens"
    value={value}
    slotProps={{ htmlInput: { maxLength: LONGEST_NAME } }}
    onChange={(event) => onChange(event.target.value)}
    sx={{ width: 220 }}
  />
);
