import { LONGEST_NAME } from '@gullwind/core';
import { InputBase, type SxProps } from '@mui/material';
import { memo, useState } from 'react';
import { FieldMessage } from './FieldMessage';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly required?: boolean;
  /** Characters at the most. */
  readonly most?: number;
  readonly placeholder?: string;
  readonly sx?: SxProps;
  readonly onChange: (name: string) => void;
}

const LOOK = {
  borderBottom: '1px solid transparent',
  '&:hover': { borderColor: 'divider' },
  '&.Mui-focused': { borderColor: 'primary.main' },
} as const;

/** A name edited where it is read. An empty or overlong one is refused in place. */
export const NameField = memo(function NameField({
  label,
  value,
  required = true,
  most = LONGEST_NAME,
  placeholder,
  sx,
  onChange,
}: Props) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? value;
  const message = nameProblem(label, shown, required, most);
  const leave = () => {
    if (text !== null && text !== value && !message) onChange(text.trim());
    setText(null);
  };
  return (
    <>
      <InputBase
        value={shown}
        placeholder={placeholder}
        title={shown}
        onChange={(event) => setText(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !message) (event.target as HTMLElement).blur();
          if (event.key === 'Escape' && text !== null) {
            setText(null);
            event.stopPropagation();
          }
        }}
        inputProps={{
          'aria-label': label,
          'aria-invalid': message !== null,
          spellCheck: false,
          style: { textOverflow: 'ellipsis' },
        }}
        sx={{ ...LOOK, ...sx } as SxProps}
      />
      <FieldMessage message={message} />
    </>
  );
});

function nameProblem(label: string, text: string, required: boolean, most: number): string | null {
  if (required && text.trim() === '')
    return `${label}: it is empty; at least 1 character is needed.`;
  if (text.length > most) return `${label}: ${text.length} characters, at most ${most}.`;
  return null;
}
