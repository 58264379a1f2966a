import { styled } from '@mui/material';
import { useState, type ReactNode } from 'react';

const Details = styled('details')(({ theme }) => ({
  marginTop: 8,
  '& > summary': {
    fontSize: 13.5,
    fontWeight: 600,
    borderBottom: `1px solid ${theme.chart.grid}`,
    cursor: 'pointer',
    marginBottom: 4,
  },
}));

/** Something to open when it is wanted; what is inside is made only then. */
export function Disclosure({ title, children }: { title: string; children: ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{title}</summary>
      {isOpen && children}
    </Details>
  );
}
