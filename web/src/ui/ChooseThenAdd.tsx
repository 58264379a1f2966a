import { Box, Button, NativeSelect } from '@mui/material';
import { useState } from 'react';

interface Props {
  readonly label: string;
  /** What stands there before anything is chosen. */
  readonly placeholder: string;
  readonly options: readonly (readonly [value: string, words: string])[];
  readonly action?: string;
  readonly onAdd: (value: string) => void;
}

/** One of many, added when that is said: with the keys, a list goes through all that lies between. */
export function ChooseThenAdd({ label, placeholder, options, action = 'Add', onAdd }: Props) {
  const [value, setValue] = useState('');
  const isThere = options.some(([one]) => one === value);
  return (
    <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center', mt: 1, minWidth: 0 }}>
      <NativeSelect
        value={isThere ? value : ''}
        inputProps={{ 'aria-label': label }}
        onChange={(event) => setValue(event.target.value)}
        sx={{ fontSize: 14, flex: 1, minWidth: 0, '& select': { textOverflow: 'ellipsis' } }}
      >
        <option value="">{placeholder}</option>
        {options.map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </NativeSelect>
      <Button
        size="small"
        disabled={!isThere}
        aria-label={`${action}: ${label}`}
        onClick={() => {
          setValue('');
          onAdd(value);
        }}
      >
        {action}
      </Button>
    </Box>
  );
}
