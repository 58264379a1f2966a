import {
  addLanes,
  formatQuantity,
  laneUses,
  mixingOf,
  PLACEMENT_RULES,
  type BoardPlan,
  type LaneUse,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useGearItems } from '../../../app/useGearItems';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { SizeField } from './SizeField';
import type { PanelProps } from '../panelProps';

/** Lanes of tie-downs: what lies there, and which mount holds it. */
export function Lanes({ rig, plan, units, actions }: PanelProps) {
  const gear = useGearItems();
  const mounts = useMemo(
    () =>
      (gear ?? []).flatMap((item) => (item.kind === 'mount' && !item.retired ? [item.thing] : [])),
    [gear],
  );
  const uses = useMemo(
    () =>
      laneUses(
        rig,
        plan.decks,
        plan.standings,
        plan.plugs,
        plan.wires,
        mounts.length > 0 ? mounts : undefined,
      ),
    [rig, plan, mounts],
  );
  const more = addLanes(rig);
  return (
    <PanelGroup title="Lanes">
      {uses.map((use) => (
        <LaneLine key={use.lane.id} {...{ rig, use, units, actions }} />
      ))}
      {more && (
        <Button size="small" onClick={() => actions.edit(more)}>
          A lane behind each row
        </Button>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {sayMixing(plan, units)}
      </Typography>
    </PanelGroup>
  );
}

/** What lies along with DC and mains: told, not judged. */
function sayMixing(plan: BoardPlan, units: UnitSystem): string {
  const { crossings, notSquare, parallelM } = mixingOf(plan.wires);
  if (crossings === 0 && parallelM === 0) return 'No audio crosses DC or mains.';
  const beside = `${formatQuantity(parallelM, 'length', units)} of audio lie beside DC or mains`;
  if (crossings === 0) return `${beside}; nothing crosses.`;
  const square = notSquare === 0 ? 'all square' : `${notSquare} not square`;
  return `${beside}; they cross ${crossings === 1 ? 'once' : `${crossings} times`}, ${square}.`;
}

interface LaneProps extends Pick<PanelProps, 'rig' | 'units' | 'actions'> {
  readonly use: LaneUse;
}

function LaneLine({ rig, use, units, actions }: LaneProps) {
  const { lane, cables, bundleM, freeM, ties } = use;
  const size = (m: number) => formatQuantity(Math.round(m * 1000) / 1000, 'size', units);
  const at = rig.layout.lanes.indexOf(lane);
  const replace = (insert: Rig['layout']['lanes']) =>
    actions.edit({ kind: 'list', of: 'lanes', at, remove: 1, insert });
  const { choice } = use;
  const isChosen = choice.kind === 'one' && lane.mount?.name === choice.mount.name;
  return (
    <Box sx={{ mb: 0.75 }}>
      <Typography variant="body2">
        <b>{lane.name}</b>
        {`: ${cables.length === 1 ? '1 cable' : `${cables.length} cables`}, a bundle of ${size(bundleM)}, ${size(freeM)} free${ties > 0 ? `, ${ties} mounts` : ''}`}
      </Typography>
      <Typography variant="body2" sx={{ color: use.isTooThick ? 'error.main' : 'text.secondary' }}>
        {sayChoice(use)}
      </Typography>
      <SizeField
        label="From the front"
        rule={PLACEMENT_RULES.yM}
        value={lane.yM}
        units={units}
        onChange={(yM) => replace([{ ...lane, yM }])}
      />
      {choice.kind === 'one' && !isChosen && (
        <Button size="small" onClick={() => replace([{ ...lane, mount: withoutId(choice.mount) }])}>
          {`Take ${choice.mount.name}`}
        </Button>
      )}
      <Button size="small" onClick={() => replace([])}>
        Without it
      </Button>
    </Box>
  );
}

const withoutId = ({ name, footM, holdsM }: NonNullable<LaneUse['lane']['mount']>) => ({
  name,
  footM,
  holdsM,
});

function sayChoice({ choice, lane, isTooThick }: LaneUse): string {
  if (isTooThick) return `${lane.mount!.name} does not hold it, or has no room`;
  switch (choice.kind) {
    case 'none':
      return 'no room for a mount: tie cable to cable';
    case 'one':
      return lane.mount ? `on ${lane.mount.name}` : `${choice.mount.name} fits and holds it`;
    case 'two':
      return `two rows of ${choice.mount.name}: audio, and the rest`;
    case 'tooThick':
      return 'no mount holds so thick a bundle: part it';
  }
}
