import { Box, InputBase, Typography } from '@mui/material';
import { useId, useState } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  /** What is wrong with a text, or null. */
  readonly check?: (text: string) => string | null;
  readonly multiline?: boolean;
}

/** Words kept when the hand leaves them. */
export function TextLine({ label, value, onChange, check, multiline = false }: Props) {
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const message = text === null ? null : (check?.(text.trim()) ?? null);
  const leave = () => {
    if (text === null || message) return;
    if (text.trim() !== value) onChange(text.trim());
    setText(null);
  };
  return (
    <Box sx={{ mt: 0.5 }}>
      <Box sx={multiline ? {} : BESIDE}>
        <Typography component="label" htmlFor={id} variant="body2" sx={{ color: 'text.secondary' }}>
          {label}
        </Typography>
        <InputBase
          id={id}
          value={text ?? value}
          multiline={multiline}
          onChange={(event) => setText(event.target.value)}
          onBlur={leave}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && !multiline) leave();
            if (event.key === 'Escape' && text !== null) {
              setText(null);
              event.stopPropagation();
            }
          }}
          inputProps={{ 'aria-invalid': message !== null }}
          sx={{
            fontSize: 14,
            width: '100%',
            borderBottom: 1,
            borderColor: message ? 'error.main' : 'divider',
            '& input': { p: 0, py: '2px', textAlign: 'right' },
            '&.Mui-focused': { outline: 2, outlineColor: 'primary.main', outlineOffset: 1 },
          }}
        />
      </Box>
      {message && (
        <Typography role="alert" variant="caption" sx={{ color: 'error.main' }}>
          {message}
        </Typography>
      )}
    </Box>
  );
}

const BESIDE = {
  display: 'grid',
  gridTemplateColumns: 'auto 1fr',
  alignItems: 'center',
  columnGap: 1,
} as const;
