import {
  faultsOf,
  feedingsOf,
  type Failure,
  type Feedings,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { STAGE_PAGE, STAGE_PANEL, stageColumns } from '../../ui/stageLayout';
import { shownRig, StageHeader, useRigEdits, type OpenRig } from '../editor';
import { DeltaChart } from './DeltaChart';
import { FailureList } from './FailureList';
import { FaultList } from './FaultList';
import { FeedPanel, type PowerPanelProps } from './panels/FeedPanel';
import { OutletPanel } from './panels/OutletPanel';
import { AddSupply, RigPowerPanel } from './panels/RigPowerPanel';
import { SupplyPanel } from './panels/SupplyPanel';
import { PowerTable } from './PowerTable';
import { ProposeBar } from './ProposeBar';
import { NOTHING, type Picked } from './model/sayPower';
import { UnfedList } from './UnfedList';
import { useFailures } from './useFailures';
import { usePowerHands } from './usePowerHands';
import { usePowerKeys } from './usePowerKeys';

const NONE: ReadonlySet<string> = new Set();

/** The power of one rig: the delta, what is wrong with it, what falls silent, and the numbers of what is picked. */
export function PowerView({ open }: { readonly open: OpenRig }) {
  const rig = useMemo(
    () => shownRig({ rig: open.rig, preview: open.preview }),
    [open.rig, open.preview],
  );
  const [{ units }] = useSettings();
  const [isTable, setTable] = useState(false);
  return (
    <Box component="main" sx={STAGE_PAGE}>
      <StageHeader stage="Power" open={open}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={isTable ? 'table' : 'delta'}
          aria-label="How it is shown"
          onChange={(_event, to: string | null) => to && setTable(to === 'table')}
        >
          {['delta', 'table'].map((word) => (
            <ToggleButton key={word} value={word} sx={WORD}>
              {word}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </StageHeader>
      <Fed open={open} rig={rig} units={units} isTable={isTable} />
    </Box>
  );
}

const WORD = { border: 0, px: 0.6, py: 0.25, fontSize: 14, textTransform: 'none' } as const;

interface Props {
  readonly open: OpenRig;
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly isTable: boolean;
}

function Fed({ open, rig, units, isTable }: Props) {
  const onEdit = useRigEdits();
  const gear = useGearItems();
  const feedings = useMemo(() => feedingsOf(rig), [rig]);
  const faults = useMemo(() => faultsOf(rig), [rig]);
  const failures = useFailures(rig);
  const [picked, onPick] = useState<Picked>(NOTHING);
  const [shown, onShow] = useState<Failure | null>(null);
  const panel = useRef<HTMLDivElement>(null);
  const [propose, onPropose] = usePressing();
  usePowerKeys({
    rig,
    feedings,
    picked,
    onPick,
    onEdit,
    onPropose,
    panel,
    isOff: open.theirs !== null,
  });
  const shared = { rig, feedings, faults, units, onEdit };
  return (
    <Box sx={COLUMNS}>
      <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
        <div ref={propose}>
          <ProposeBar rig={open.rig} gear={gear} onEdit={onEdit} />
        </div>
        <Drawn {...shared} {...{ isTable, picked, onPick, gear }} shown={shown} />
        <Box sx={BELOW}>
          <FaultList rig={rig} faults={faults} onPick={onPick} />
          <FailureList rig={rig} failures={failures} shown={shown} onShow={onShow} />
        </Box>
      </Box>
      <Box ref={panel} component="section" aria-label="Picked" sx={STAGE_PANEL}>
        <PickedPanel {...shared} picked={picked} gear={gear} />
      </Box>
    </Box>
  );
}

/** A bar whose first button a key presses. */
function usePressing() {
  const bar = useRef<HTMLDivElement>(null);
  const press = useCallback(() => bar.current?.querySelector<HTMLElement>('button')?.click(), []);
  return [bar, press] as const;
}

interface DrawnProps extends PowerPanelProps {
  readonly isTable: boolean;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly shown: Failure | null;
  readonly gear: ReturnType<typeof useGearItems>;
}

function Drawn({
  rig,
  feedings,
  faults,
  onEdit,
  isTable,
  picked,
  onPick,
  shown,
  gear,
}: DrawnProps) {
  const hands = usePowerHands(rig, onEdit);
  const dark = useMemo(() => (shown ? new Set(shown.consumers) : NONE), [shown]);
  const shared = { rig, feedings, faults, picked, onPick };
  if (feedings.supplies.length === 0)
    return (
      <Box sx={{ flex: 1, px: 2.5, py: 2, overflowY: 'auto' }}>
        <Nothing feedings={feedings} />
        <Box sx={{ maxWidth: 320 }}>
          <AddSupply rig={rig} gear={gear} onEdit={onEdit} />
        </Box>
        <UnfedList {...shared} hands={hands} />
      </Box>
    );
  if (isTable) return <PowerTable {...shared} />;
  return (
    <>
      <DeltaChart {...shared} dark={dark} hands={hands} />
      <UnfedList {...shared} hands={hands} />
      <Held feedings={feedings} hands={hands} />
    </>
  );
}

function Nothing({ feedings }: { readonly feedings: Feedings }) {
  const total = feedings.consumers.reduce((sum, { need }) => sum + need.supplyA.value, 0);
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600 }}>
        Nothing feeds this rig yet
      </Typography>
      <Typography sx={{ mt: 0.5, maxWidth: 640 }}>
        {`${feedings.consumers.length} things want a supply, ${Math.round(total * 1000)} mA in all. Add a supply; then drag each thing onto an outlet, or have it proposed.`}
      </Typography>
    </>
  );
}

/** What the hand holds, beside it. */
function Held({
  feedings,
  hands,
}: {
  feedings: Feedings;
  hands: ReturnType<typeof usePowerHands>;
}) {
  const held = feedings.consumers.find(({ id }) => id === hands.dragged);
  if (!held) return null;
  return (
    <Box
      aria-hidden
      sx={{
        position: 'fixed',
        left: hands.at.x + 12,
        top: hands.at.y + 8,
        px: 0.75,
        bgcolor: 'background.paper',
        border: 1,
        fontSize: 13.5,
        fontWeight: 600,
        pointerEvents: 'none',
        zIndex: 10,
      }}
    >
      {held.name}
    </Box>
  );
}

interface PickedProps extends PowerPanelProps {
  readonly picked: Picked;
  readonly gear: ReturnType<typeof useGearItems>;
}

function PickedPanel({ picked, gear, ...panel }: PickedProps) {
  const isThere = (id: string): boolean => panel.rig.power.supplies.some((one) => one.id === id);
  if (picked.of === 'thing' && panel.feedings.consumers.some(({ id }) => id === picked.id))
    return <FeedPanel key={picked.id} {...panel} id={picked.id} />;
  if (picked.of === 'supply' && isThere(picked.id))
    return <SupplyPanel key={picked.id} {...panel} id={picked.id} gear={gear} />;
  if (picked.of === 'outlet' && isThere(picked.supply))
    return <OutletPanel {...panel} {...picked} />;
  return <RigPowerPanel {...panel} gear={gear} />;
}

const COLUMNS = stageColumns(318);

const BELOW = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1.3fr) minmax(0, 1fr)' },
  columnGap: 3,
  px: 2.5,
  pb: 1,
  maxHeight: 168,
  overflowY: 'auto',
  flexShrink: 0,
  borderTop: 1,
  borderColor: 'divider',
} as const;
