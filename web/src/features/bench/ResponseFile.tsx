import { readResponse } from '@gullwind/contract';
import type { MeasuredResponse } from '@gullwind/core';
import { Button } from '@mui/material';
import { useRef, useState } from 'react';
import { FieldMessage } from '../../ui/FieldMessage';

interface Props {
  readonly children: string;
  readonly onRead: (response: MeasuredResponse, name: string) => void;
}

/** A measured response from a file: frequency, dB, and degrees where there are any. */
export function ResponseFile({ children, onRead }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [message, setMessage] = useState<string | null>(null);
  const read = async (file: File) => {
    const result = readResponse(await file.text());
    setMessage(result.kind === 'refused' ? `${file.name}: ${result.problems[0]!.message}` : null);
    if (result.kind === 'ok') onRead(result.value, file.name);
  };
  return (
    <>
      <Button variant="outlined" onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={children}
        accept=".csv,.txt,.tsv"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          // The same file may be chosen again.
          event.target.value = '';
          if (file) void read(file);
        }}
      />
      <FieldMessage message={message} />
    </>
  );
}
