import { NativeSelect, Typography, Box } from '@mui/material';
import { useId } from 'react';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
}

/** One word out of a few, chosen where it is read. */
export function ChoiceField<T extends string>({ label, value, options, onChange }: Props<T>) {
  const id = useId();
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '1fr auto',
        alignItems: 'center',
        minHeight: 26,
        columnGap: 1,
      }}
    >
      <Typography component="label" htmlFor={id} variant="body2" sx={{ color: 'text.secondary' }}>
        {label}
      </Typography>
      <NativeSelect
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
        inputProps={{ id }}
        sx={{ fontSize: 14, '& select': { py: '1px' } }}
      >
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </NativeSelect>
    </Box>
  );
}
