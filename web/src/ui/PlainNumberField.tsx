import { Box, InputBase, Typography } from '@mui/material';
import { useId } from 'react';
import { FieldMessage } from './FieldMessage';
import { useTypedNumber, type TypedNumber } from './useTypedNumber';

interface Props extends TypedNumber {
  readonly title?: string;
  /** Shown while there is none; where it is given, an empty field is none. */
  readonly none?: string;
}

/** A number without a unit, edited where it is seen; what is wrong with it is said in place. */
export function PlainNumberField(props: Props) {
  const { label, title, none } = props;
  const id = useId();
  const { shown, message, handlers } = useTypedNumber(props);
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
          value={shown}
          placeholder={none}
          {...handlers}
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
