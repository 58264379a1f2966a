import type { StoredItem } from '@gullwind/contract';
import { GEAR_KINDS, gearOf, type GearKind, type Provenance } from '@gullwind/core';
import { Box, Checkbox, FormControlLabel, styled, TextField } from '@mui/material';
import { useMemo, type RefObject } from 'react';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { countKinds, type GearFilter } from './model/gearFilter';
import { RigFacet } from './RigFacet';

const Facet = styled('button')(({ theme }) => ({
  display: 'flex',
  justifyContent: 'space-between',
  width: '100%',
  padding: '4px 8px',
  border: 0,
  borderLeft: '3px solid transparent',
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  fontSize: 14.5,
  textAlign: 'left',
  cursor: 'pointer',
  '&[aria-pressed="true"]': { borderLeftColor: theme.chart.sea, fontWeight: 600 },
  '&:hover': { background: theme.chart.grid },
  '&:focus-visible': { outline: `2px solid ${theme.chart.sea}`, outlineOffset: -2 },
  '& span': { color: theme.chart.faint, fontWeight: 400 },
}));

const ORIGINS: readonly (readonly [Provenance | 'any', string])[] = [
  ['any', 'anywhere'],
  ['assumed', 'a class, assumed'],
  ['entered', 'a hand'],
  ['sheet', 'a data sheet'],
  ['measured', 'a meter'],
];

interface FacetsProps {
  readonly items: readonly StoredItem[];
  /** What stands in the rig that is looked at. */
  readonly inRig: ReadonlySet<string>;
  readonly filter: GearFilter;
  readonly search: RefObject<HTMLInputElement | null>;
  readonly onChange: (filter: GearFilter) => void;
  readonly onSelect: (id: string) => void;
}

/** What of the list is shown: by words, kind, origin and rig. */
export function Facets({ items, inRig, filter, search, onChange, onSelect }: FacetsProps) {
  const counts = useMemo(() => countKinds(items, filter, inRig), [items, filter, inRig]);
  const kinds: readonly (GearKind | 'all')[] = ['all', ...GEAR_KINDS];
  return (
    <Box component="section" aria-label="What to show" sx={{ p: 1.5, overflowY: 'auto' }}>
      <TextField
        label="Search"
        size="small"
        fullWidth
        value={filter.words}
        inputRef={search}
        onChange={(event) => onChange({ ...filter, words: event.target.value })}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onChange({ ...filter, words: '' });
          if (event.key === 'ArrowDown')
            document.querySelector<HTMLElement>('[role="listbox"]')?.focus();
        }}
        sx={{ mb: 1.5 }}
      />
      {kinds.map((kind) => (
        <Facet
          key={kind}
          type="button"
          aria-pressed={filter.kind === kind}
          onClick={() => onChange({ ...filter, kind })}
        >
          {kind === 'all' ? 'Everything' : gearOf(kind).many}
          <span>{counts[kind]}</span>
        </Facet>
      ))}
      <OriginFacet filter={filter} onChange={onChange} />
      <RigFacet
        rigId={filter.rigId}
        onChange={(rigId) => onChange({ ...filter, rigId })}
        onSelect={onSelect}
      />
    </Box>
  );
}

const OriginFacet = ({ filter, onChange }: Pick<FacetsProps, 'filter' | 'onChange'>) => (
  <Box sx={{ mt: 2 }}>
    <ChoiceField
      label="From"
      value={filter.origin}
      options={ORIGINS}
      onChange={(origin) => onChange({ ...filter, origin })}
    />
    <FormControlLabel
      label="Retired ones"
      slotProps={{ typography: { variant: 'body2' } }}
      control={
        <Checkbox
          size="small"
          checked={filter.retired}
          onChange={(event) => onChange({ ...filter, retired: event.target.checked })}
        />
      }
    />
  </Box>
);
