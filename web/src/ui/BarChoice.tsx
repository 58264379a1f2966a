import { NativeSelect } from '@mui/material';
import type { ReactNode } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly children: ReactNode;
}

/** One of a few, chosen in a bar: what is chosen says what it is of. */
export function BarChoice({ label, value, onChange, children }: Props) {
  return (
    <NativeSelect
      value={value}
      onChange={(event) => onChange(event.target.value)}
      inputProps={{ 'aria-label': label, title: label }}
      sx={{ fontSize: 14, '& select': { py: '2px', textOverflow: 'ellipsis' } }}
    >
      {children}
    </NativeSelect>
  );
}

interface NamedThing {
  readonly id: string;
  readonly name: string;
}

export function NamedOptions({ things }: { readonly things: readonly NamedThing[] }) {
  return things.map(({ id, name }) => (
    <option key={id} value={id}>
      {name}
    </option>
  ));
}
