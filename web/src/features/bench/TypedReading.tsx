import { draftKey, useDraft } from '../../app/drafts';
import { readField, type FieldRule, type UnitSystem } from '@gullwind/core';
import { Box, Button, TextField } from '@mui/material';
import { useRef, useState } from 'react';

interface Props {
  readonly rule: FieldRule;
  readonly units: UnitSystem;
  readonly action?: string;
  readonly onRead: (value: number) => void;
}

/** A value read off any meter, typed as people write it: "580p", "4.3 H", "7.8k". */
export function TypedReading({ rule, units, action = 'Add the reading', onRead }: Props) {
  const [text, setText] = useDraft(draftKey('reading', rule.label), '');
  const [message, setMessage] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const take = () => {
    if (text.trim() === '') return;
    const read = readField(rule, text, units);
    if (read.kind === 'refused') return setMessage(read.message);
    setText('');
    onRead(read.si);
    input.current?.focus();
  };
  return (
    <Box sx={{ display: 'flex', alignItems: 'flex-start', gap: 1 }}>
      <TextField
        inputRef={input}
        size="small"
        label={`${rule.label}, as read`}
        value={text}
        error={message !== null}
        helperText={message ?? ' '}
        onChange={(event) => {
          setText(event.target.value);
          setMessage(null);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
        }}
        sx={{ width: 230 }}
      />
      <Button variant="outlined" onClick={take}>
        {action}
      </Button>
    </Box>
  );
}
