import { Button } from '@mui/material';
import { useRef } from 'react';
import { useOpenFile } from './Intake';

/** For those who do not drag. */
export function OpenFileButton({ children }: { readonly children: string }) {
  const openFile = useOpenFile();
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()}>{children}</Button>
      <input
        ref={input}
        type="file"
        aria-label={children}
        accept=".csv,.txt,.tsv,.json,.jsonl"
        hidden
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          // The same file may be chosen again.
          event.target.value = '';
          if (file) openFile(file);
        }}
      />
    </>
  );
}
