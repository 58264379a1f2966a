import type { StoredItem } from '@gullwind/contract';
import { sayOutlets } from '../../ui/parts/outletWords';
import { formatQuantity, type Case, type GearItem, type UnitSystem } from '@gullwind/core';
import { Box, styled, Typography } from '@mui/material';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { Virtuoso, type VirtuosoHandle } from 'react-virtuoso';
import { SOUNDING_FONT } from '../../app/theme';
import { sayClass } from './gearWords';
import { OriginGauge } from './OriginGauge';

interface Props {
  readonly items: readonly StoredItem[];
  readonly units: UnitSystem;
  readonly selectedId: string | null;
  /** In how many rigs each stands. */
  readonly useCounts: ReadonlyMap<string, number>;
  readonly onSelect: (id: string) => void;
  readonly onOpen: () => void;
}

const Row = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) auto 92px 64px',
  alignItems: 'center',
  columnGap: 12,
  height: 46,
  padding: '0 16px',
  borderBottom: `1px solid ${theme.chart.grid}`,
  borderLeft: '3px solid transparent',
  cursor: 'pointer',
  // Where it is used is said beside the entry; a narrow screen has room for its name.
  [theme.breakpoints.down('sm')]: {
    gridTemplateColumns: 'minmax(0, 1fr) auto',
    '& > [data-beside]': { display: 'none' },
  },
  '&:hover': { background: theme.palette.background.paper },
  '&[aria-selected="true"]': {
    borderLeftColor: theme.chart.sea,
    background: theme.palette.background.paper,
  },
}));

/** The entries, only those in sight drawn; arrows walk through them. */
export function GearList({ items, units, selectedId, useCounts, onSelect, onOpen }: Props) {
  const list = useRef<VirtuosoHandle>(null);
  const at = items.findIndex(({ item }) => item.id === selectedId);
  useEffect(() => {
    if (at >= 0) list.current?.scrollIntoView({ index: at });
  }, [at]);
  const walk = (event: KeyboardEvent) => {
    const to = target(event.key, at, items.length);
    if (event.key === 'Enter') return onOpen();
    if (to === null || items.length === 0) return;
    event.preventDefault();
    onSelect(items[to]!.item.id);
  };
  if (items.length === 0)
    return (
      <Typography sx={{ p: 2, color: 'text.secondary' }}>Nothing here answers to that.</Typography>
    );
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        '& [role="listbox"]:focus-visible': {
          outline: '2px solid !important',
          outlineColor: 'primary.main',
          outlineOffset: '-2px',
        },
      }}
    >
      <Virtuoso
        ref={list}
        role="listbox"
        aria-label="Gear"
        tabIndex={0}
        aria-activedescendant={at >= 0 ? `gear-${selectedId}` : undefined}
        onKeyDown={walk}
        data={items}
        fixedItemHeight={46}
        initialTopMostItemIndex={Math.max(0, at)}
        increaseViewportBy={400}
        computeItemKey={(_, { item }) => item.id}
        itemContent={(_, { item }) => (
          <Row
            role="option"
            id={`gear-${item.id}`}
            aria-selected={item.id === selectedId}
            onClick={() => onSelect(item.id)}
          >
            <Box sx={{ minWidth: 0 }}>
              <Typography noWrap sx={{ fontSize: 15, fontWeight: 600, lineHeight: 1.2 }}>
                {item.thing.name}
              </Typography>
              <Typography
                noWrap
                variant="caption"
                sx={{ color: 'text.secondary', lineHeight: 1.2, display: 'block' }}
              >
                {[sayClass(item), item.note].filter(Boolean).join(' · ')}
              </Typography>
            </Box>
            <Typography
              component="span"
              sx={{ fontFamily: SOUNDING_FONT, fontStyle: 'italic', fontSize: 15 }}
            >
              {telling(item, units)}
            </Typography>
            <Box data-beside>
              <OriginGauge item={item} />
            </Box>
            <Typography
              data-beside
              component="span"
              variant="caption"
              sx={{ color: 'text.secondary', textAlign: 'right' }}
            >
              {sayUses(useCounts.get(item.id) ?? 0)}
            </Typography>
          </Row>
        )}
      />
    </Box>
  );
}

const PAGE = 10;

function target(key: string, at: number, count: number): number | null {
  const clamp = (to: number) => Math.min(count - 1, Math.max(0, to));
  switch (key) {
    case 'ArrowDown':
      return clamp(at + 1);
    case 'ArrowUp':
      return clamp(at - 1);
    case 'PageDown':
      return clamp(at + PAGE);
    case 'PageUp':
      return clamp(at - PAGE);
    case 'Home':
      return 0;
    case 'End':
      return count - 1;
    default:
      return null;
  }
}

const sayUses = (count: number): string =>
  count === 0 ? '' : count === 1 ? 'in 1 rig' : `in ${count} rigs`;

const saySize = ({ widthM, depthM }: Pick<Case, 'widthM' | 'depthM'>, units: UnitSystem): string =>
  `${formatQuantity(widthM.value, 'size', units)} × ${formatQuantity(depthM.value, 'size', units)}`;

/** The one number that tells it from others of its kind. */
function telling(item: GearItem, units: UnitSystem): string {
  switch (item.kind) {
    case 'guitar':
      return item.thing.kind === 'magnetic'
        ? formatQuantity(item.thing.lH.value, 'inductance', units)
        : '';
    case 'device':
      return item.thing.bypass === 'passive'
        ? ''
        : formatQuantity(item.thing.on.rInOhm.value, 'resistance', units);
    case 'cable':
      return `${formatQuantity(item.thing.cPerMF.value, 'capacitancePerLength', units)}, ${formatQuantity(item.thing.lengthM.value, 'length', units)}`;
    case 'destination':
      return formatQuantity(item.thing.rInOhm.value, 'resistance', units);
    case 'plug':
      return formatQuantity(item.thing.beyondM.value, 'size', units);
    case 'supply':
      return sayOutlets(item.thing);
    case 'adaptor':
      return formatQuantity(item.thing.mostA.value, 'current', units);
    case 'board':
      return saySize(item.thing, units);
    case 'fixture':
      return saySize(item.thing.body, units);
    case 'mount':
      return formatQuantity(item.thing.holdsM.value, 'size', units);
  }
}
