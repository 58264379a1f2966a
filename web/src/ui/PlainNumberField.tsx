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
  const { label, title, value, none } = props;
  const id = useId();
  const { text, message, type, commit, leave } = useTyped(props);
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box sx={ROW}>
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
          value={text ?? shownOf(value)}
          placeholder={none}
          onFocus={(event) => event.target.select()}
          onChange={(event) => type(event.target.value)}
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
          sx={{ ...LINE, borderColor: message ? 'error.main' : 'text.secondary' }}
        />
      </Box>
      <FieldMessage id={`${id}-message`} message={message} />
    </Box>
  );
}

const ROW = {
  display: 'grid',
  gridTemplateColumns: '1fr 92px',
  alignItems: 'center',
  minHeight: 26,
} as const;

const LINE = {
  fontSize: 14,
  fontWeight: 600,
  borderBottom: '1px solid',
  '& input': { p: 0, py: '2px', textAlign: 'right' },
  '&.Mui-focused': { outline: 2, outlineColor: 'primary.main', outlineOffset: 1 },
} as const;

const shownOf = (value: number | null): string => (value === null ? '' : String(value));

/** What is being typed, and what is wrong with it. */
function useTyped({ label, value, max, isWhole = false, onChange, onNone }: Props) {
  const [text, setText] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const leave = () => {
    setText(null);
    setMessage(null);
  };
  const commit = () => {
    if (text === null || text.trim() === shownOf(value)) return leave();
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
  const type = (typed: string) => {
    setText(typed);
    setMessage(null);
  };
  return { text, message, type, commit, leave };
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
  if (value < 0) return `${label}: ${value}, at least 0.`;
  return value > max ? `${label}: ${value}, at most ${max}.` : null;
}
