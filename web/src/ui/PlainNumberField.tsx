import { Box, InputBase, Typography } from '@mui/material';
import { useId, useState } from 'react';
import { FieldMessage } from './FieldMessage';

interface Props {
  readonly label: string;
  readonly title?: string;
  /** Null: none. */
  readonly value: number | null;
  readonly max: number;
  readonly isWhole?: boolean;
  /** Shown while there is none; where it is given, an empty field is none. */
  readonly none?: string;
  readonly onChange: (value: number) => void;
  readonly onNone?: () => void;
}

/** A number without a unit, edited where it is seen; what is wrong with it is said in place. */
export function PlainNumberField(props: Props) {
  const { label, title, value, max, isWhole = false, none, onChange, onNone } = props;
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const shown = value === null ? '' : String(value);
  const commit = () => {
    if (text === null || text.trim() === shown) return leave();
    if (text.trim() === '' && onNone) {
      leave();
      return onNone();
    }
    const number = Number(text.replace(',', '.'));
    const problem = problemWith(label, text, number, max, isWhole);
    if (problem) return setMessage(problem);
    leave();
    return onChange(number);
  };
  const leave = () => {
    setText(null);
    setMessage(null);
  };
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: '1fr 92px',
          alignItems: 'center',
          minHeight: 26,
        }}
      >
        <Typography
          component="label"
          htmlFor={id}
          variant="body2"
          title={title ?? label}
          sx={{ color: 'text.secondary' }}
        >
          {label}
        </Typography>
        <InputBase
          id={id}
          value={text ?? shown}
          placeholder={none}
          onFocus={(event) => event.target.select()}
          onChange={(event) => {
            setText(event.target.value);
            setMessage(null);
          }}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
            if (event.key === 'Escape' && text !== null) {
              leave();
              event.stopPropagation();
            }
          }}
          error={message !== null}
          inputProps={{
            inputMode: 'decimal',
            'aria-invalid': message !== null,
            'aria-describedby': message ? `${id}-message` : undefined,
            autoComplete: 'off',
          }}
          sx={{
            fontSize: 14,
            fontWeight: 600,
            borderBottom: '1px solid',
            borderColor: message ? 'error.main' : 'text.secondary',
            '& input': { p: 0, py: '2px', textAlign: 'right' },
            '&.Mui-focused': { outline: 2, outlineColor: 'primary.main', outlineOffset: 1 },
          }}
        />
      </Box>
      <FieldMessage id={`${id}-message`} message={message} />
    </Box>
  );
}

function problemWith(
  label: string,
  text: string,
  value: number,
  max: number,
  isWhole: boolean,
): string | null {
  if (text.trim() === '' || !Number.isFinite(value))
    return `${label}: “${text.trim()}” is not a number.`;
  if (isWhole && !Number.isInteger(value)) return `${label}: ${value} is not a whole number.`;
  if (value < 0) return `${label}: ${value} is below the least, 0.`;
  return value > max ? `${label}: ${value} is above the most, ${max}.` : null;
}
