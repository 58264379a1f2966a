import { writeGearCsv, type StoredItem, type UseCounts } from '@gullwind/contract';
import { cutText, LONGEST_NAME, type GearItem, type UnitSystem } from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import { skipToken } from '@reduxjs/toolkit/query/react';
import { Alert, Box, Button, Typography } from '@mui/material';
import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSearchParams } from 'react-router';
import { messageOf, useCountUsesQuery, useListGearQuery, useListUsesQuery } from '../../app/api';
import { useSettings } from '../../app/useSettings';
import { OpenFileButton, saveText } from '../files';
import { AddGear, newGearId } from './AddGear';
import { filterGear, type GearFilter } from './model/gearFilter';
import { Facets } from './Facets';
import { GearList } from './GearList';
import { GearSheet } from './GearSheet';
import { useGearActions } from './useGear';

const NO_ITEMS: readonly StoredItem[] = [];
const EVERYTHING: GearFilter = { words: '', kind: 'all', origin: 'any', retired: false, rigId: '' };

const HEADER = {
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'baseline',
  gap: 2,
  px: 3,
  pt: 2,
  pb: 1,
} as const;
const COLUMNS = {
  flex: 1,
  minHeight: 0,
  display: 'grid',
  // On a narrow screen one below the other, and the page scrolls as a whole.
  gridTemplateColumns: {
    xs: 'minmax(0, 1fr)',
    sm: '180px minmax(0, 1fr)',
    lg: '208px minmax(0, 1fr) 350px',
  },
  borderTop: 1,
  borderColor: 'divider',
} as const;
const LIST = {
  display: 'flex',
  flexDirection: 'column',
  minHeight: { xs: 420, sm: 0 },
  borderLeft: 1,
  borderColor: 'divider',
} as const;

const NOTHING_CHOSEN = {
  gridColumn: { xs: '1 / -1', lg: 'auto' },
  p: 2,
  color: 'text.secondary',
  borderLeft: 1,
  borderColor: 'divider',
} as const;

/** Everything that goes through the workshop, and how well each of it is known. */
export function GearPage() {
  const page = useGearPage();
  const { error, shown, filter } = page;
  useEffect(() => {
    document.title = 'Gear · Gullwind';
  }, []);
  return (
    <Box
      component="main"
      sx={{ height: { sm: '100vh' }, display: 'flex', flexDirection: 'column' }}
    >
      <Box component="header" sx={HEADER}>
        <Typography variant="h1">Gear</Typography>
        <Typography sx={{ color: 'text.secondary', flex: '1 1 240px' }}>
          How well each number is known stands beside it: the taller the mark, the better.
        </Typography>
        <OpenFileButton>Import a list</OpenFileButton>
        <Button
          disabled={shown.length === 0}
          onClick={() =>
            saveText('gear.csv', writeGearCsv(shown.map(({ item }) => item)), 'text/csv')
          }
        >
          {filter === EVERYTHING ? 'Export all' : 'Export these'}
        </Button>
        <Button variant="contained" startIcon={<Add />} onClick={page.beginAdding}>
          Add
        </Button>
      </Box>
      {error && <Alert severity="warning">{messageOf(error)}</Alert>}
      <GearColumns {...page} />
      {page.isAdding && <AddGear onClose={page.endAdding} onAdd={(item) => void page.add(item)} />}
    </Box>
  );
}

function GearColumns(page: ReturnType<typeof useGearPage>) {
  const [{ units }] = useSettings();
  const { items, selected, sheet, actions } = page;
  return (
    <Box sx={COLUMNS}>
      <Facets
        items={items}
        inRig={page.inRig}
        filter={page.filter}
        search={page.search}
        onChange={page.setFilter}
        onSelect={page.select}
      />
      <ShownGear page={page} units={units} />
      {selected ? (
        <GearSheet
          key={selected.id}
          ref={sheet}
          item={selected}
          units={units}
          actions={actions}
          onDuplicate={() => void page.add(duplicateOf(selected))}
        />
      ) : (
        <Typography sx={NOTHING_CHOSEN}>
          {items.length > 0 && 'Choose an entry to see what is known of it.'}
        </Typography>
      )}
    </Box>
  );
}

interface ShownProps {
  readonly page: ReturnType<typeof useGearPage>;
  readonly units: UnitSystem;
}

function ShownGear({ page, units }: ShownProps) {
  const { items, sheet } = page;
  const { data: counted } = useCountUsesQuery();
  const useCounts = useMemo(() => countsByGear(counted?.counts), [counted]);
  return (
    <Box sx={LIST}>
      {page.isEmpty && <NoGear onAdd={page.beginAdding} />}
      {/* Drawn when there is something: it begins at what is selected. */}
      {items.length > 0 && (
        <GearList
          items={page.shown}
          units={units}
          selectedId={page.selectedId}
          useCounts={useCounts}
          onSelect={page.select}
          onOpen={() => focusSheet(sheet.current)}
        />
      )}
    </Box>
  );
}

/** What is shown of the list, what is selected of it, and what is done to it. */
function useGearPage() {
  const { data, error } = useListGearQuery();
  const items = data?.items ?? NO_ITEMS;
  const [filter, setFilter] = useState(EVERYTHING);
  const [isAdding, setAdding] = useState(false);
  const [selectedId, select] = useSelected();
  const actions = useGearActions();
  const search = useRef<HTMLInputElement>(null);
  const inRig = useInRig(filter.rigId);
  const shown = useMemo(() => filterGear(items, filter, inRig), [items, filter, inRig]);
  const selected = items.find(({ item }) => item.id === selectedId)?.item;
  const [sheet, nameNext] = useNewSheet(selected);
  useGearKeys(!isAdding, { undo: actions.undo, add: () => setAdding(true), search });
  const add = async (item: GearItem) => {
    setAdding(false);
    if (!(await actions.add([item]))) return;
    setFilter(EVERYTHING);
    select(item.id);
    nameNext();
  };
  return {
    ...{ items, inRig, shown, selected, selectedId, select, filter, setFilter, error },
    ...{ isAdding, actions, search, sheet, add, isEmpty: data !== undefined && items.length === 0 },
    beginAdding: () => setAdding(true),
    endAdding: () => setAdding(false),
  };
}

/** The sheet of what is selected; a new entry is named first. */
function useNewSheet(selected: GearItem | undefined) {
  const sheet = useRef<HTMLDivElement>(null);
  const isNew = useRef(false);
  useEffect(() => {
    if (!isNew.current || !selected) return;
    isNew.current = false;
    const name = sheet.current?.querySelector('input');
    name?.focus();
    name?.select();
  }, [selected]);
  const nameNext = () => {
    isNew.current = true;
  };
  return [sheet, nameNext] as const;
}

interface KeyActions {
  readonly undo: () => void;
  readonly add: () => void;
  readonly search: RefObject<HTMLInputElement | null>;
}

function useGearKeys(enabled: boolean, { undo, add, search }: KeyActions): void {
  const options = { preventDefault: true, enabled };
  useHotkeys('mod+z', undo, options);
  useHotkeys('/', () => search.current?.focus(), { ...options, useKey: true });
  useHotkeys('a', add, options);
}

const focusSheet = (sheet: HTMLElement | null): void =>
  ['[data-quantity] input', 'input']
    .map((css) => sheet?.querySelector<HTMLElement>(css))
    .find((input) => input)
    ?.focus();

const duplicateOf = (item: GearItem): GearItem =>
  ({
    ...item,
    id: newGearId(),
    retired: false,
    thing: { ...item.thing, name: cutText(item.thing.name, LONGEST_NAME, ', copy') },
  }) as GearItem;

function useSelected(): readonly [string | null, (id: string) => void] {
  const [params, setParams] = useSearchParams();
  return [params.get('at'), (id) => setParams({ at: id }, { replace: true })];
}

/** What of the gear list stands in a rig; nothing where none is looked at. */
function useInRig(rigId: string): ReadonlySet<string> {
  const { currentData } = useListUsesQuery(rigId === '' ? skipToken : { rig: rigId });
  return useMemo(() => new Set(currentData?.uses.map(({ gear }) => gear)), [currentData]);
}

const countsByGear = (counts: UseCounts['counts'] = []): ReadonlyMap<string, number> =>
  new Map(counts.map(({ gear, rigs }) => [gear, rigs]));

const NoGear = ({ onAdd }: { readonly onAdd: () => void }) => (
  <Box sx={{ p: 3, maxWidth: 460 }}>
    <Typography variant="h2" gutterBottom>
      Nothing on the list yet
    </Typography>
    <Typography sx={{ mb: 2 }}>
      Add the cables and pedals that pass through your hands. Each begins with the typical values of
      its class, marked as assumed; what you measure takes their place. Or drop a list of them (CSV)
      anywhere on this page.
    </Typography>
    <Button variant="contained" onClick={onAdd}>
      Add the first
    </Button>
  </Box>
);
