import {
  editOfAssignment,
  addSupply,
  feedingsOf,
  formatNumber,
  formatQuantity,
  type Assignment,
  type Edit,
  type FeedingProposal,
  type GearItem,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useLongWork, type WorkStateOf } from '../../workers/useLongWork';
import { useSettings } from '../../app/useSettings';
import { percent } from './model/sayPower';

interface Props {
  readonly rig: Rig;
  readonly gear: readonly GearItem[] | null;
  readonly onEdit: (edit: Edit) => void;
}

const GOALS = {
  fed: 'feeding as many as can be',
  bought: 'buying as little as can be',
  headroom: 'leaving as much room as can be',
  cable: 'using as little cable as can be',
} as const;

/** Asks who should hang where, and offers the answer as one edit. */
export function ProposeBar({ rig, gear, onEdit }: Props) {
  const question = useMemo(() => gear && { rig, gear }, [rig, gear]);
  const work = useLongWork('feeding', question, { begins: false });
  const { state } = work;
  const isDone = state.kind === 'done';
  return (
    <Box component="section" aria-label="Proposal" sx={{ px: 2.5, py: 0.5 }}>
      <Box sx={LINE}>
        {state.kind === 'running' ? (
          <Button size="small" variant="outlined" onClick={work.stop}>
            Stop
          </Button>
        ) : (
          <Button size="small" variant="outlined" onClick={work.start} disabled={!gear}>
            Propose
          </Button>
        )}
        <Box role="status" sx={{ fontSize: 14, flex: 1, minWidth: 240 }}>
          {isDone ? <Found rig={rig} proposal={state.answer} onEdit={onEdit} /> : sayState(state)}
        </Box>
      </Box>
      <Progress state={state} />
      {isDone && <Missing rig={rig} proposal={state.answer} onEdit={onEdit} />}
    </Box>
  );
}

const LINE = {
  display: 'flex',
  alignItems: 'center',
  gap: 1.5,
  minHeight: 32,
  flexWrap: 'wrap',
} as const;

type State = WorkStateOf<'feeding'>;

function sayState(state: State): string {
  switch (state.kind) {
    case 'running':
      return `Looking: ${GOALS[state.progress?.goal ?? 'fed']} …`;
    case 'stopped':
      return sayStopped(state.progress?.best ?? null);
    case 'failed':
      return `It broke off: ${state.message}`;
    default:
      return 'Hang things on outlets by hand, or have them proposed: feed all, buy little, leave room, little cable. What is fixed stays.';
  }
}

function Progress({ state }: { readonly state: State }) {
  if (state.kind !== 'running') return null;
  const { progress } = state;
  return (
    <LinearProgress
      variant={progress ? 'determinate' : 'indeterminate'}
      value={progress ? (100 * progress.done) / progress.of : 0}
      aria-label="Goals looked at"
    />
  );
}

const sayStopped = (best: Assignment | null): string =>
  best
    ? 'Stopped; nothing was changed.'
    : 'Stopped before anything was found; nothing was changed.';

interface FoundProps {
  readonly rig: Rig;
  readonly proposal: FeedingProposal;
  readonly onEdit: (edit: Edit) => void;
}

/** What the proposal comes to, and how to take it. */
function Found({ rig, proposal: { assignment }, onEdit }: FoundProps) {
  const [{ units }] = useSettings();
  const isAsItIs = JSON.stringify(assignment.feeds) === JSON.stringify(rig.power.feeds);
  const { length } = feedingsOf(rig).consumers;
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      <span>{`${isAsItIs ? 'As it is, it is as good as it gets: ' : ''}${sayAssignment(assignment, length, units)}`}</span>
      {!isAsItIs && (
        <Button
          size="small"
          variant="contained"
          onClick={() => onEdit(editOfAssignment(rig, assignment))}
        >
          Hang them so
        </Button>
      )}
    </Box>
  );
}

const PART_WORDS = {
  reverser: ['polarity adaptor', 'polarity adaptors'],
  doubler: ['doubler', 'doublers'],
  seriesCable: ['series cable', 'series cables'],
  chainCable: ['chain cable', 'chain cables'],
} as const;

export function sayParts(parts: Assignment['parts']): string {
  const said = Object.entries(parts).map(
    ([of, count]) => `${count} ${PART_WORDS[of as keyof typeof PART_WORDS][count === 1 ? 0 : 1]}`,
  );
  return said.length === 0 ? 'nothing to buy' : `to buy: ${said.join(', ')}`;
}

function sayAssignment(
  { unfed, parts, price, headroom, cableM, proven }: Assignment,
  count: number,
  units: UnitSystem,
): string {
  const fed = unfed.length === 0 ? `all ${count} fed` : `${count - unfed.length} of ${count} fed`;
  const words = [
    fed,
    `${sayParts(parts)}${price > 0 ? ` (about ${formatNumber(price, 0)})` : ''}`,
    ...(headroom === null ? [] : [`${percent(headroom)} free on the fullest outlet`]),
    `${formatQuantity(cableM, 'length', units)} of DC cable`,
  ];
  return `${words.join(' · ')}${proven.length < 4 ? ' · the best that was found in the time' : ''}.`;
}

/** Who cannot be fed, why, and what of the gear list would. */
function Missing({ rig, proposal: { reasons, remedies }, onEdit }: FoundProps) {
  if (reasons.length === 0) return null;
  return (
    <Box sx={{ mt: 0.5, maxHeight: 120, overflowY: 'auto' }}>
      {reasons.map(([id, says]) => (
        <Typography key={id} variant="body2">
          {says}
        </Typography>
      ))}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 0.25 }}>
        {remedies.slice(0, 4).map(({ item, leaves }) => (
          <Button key={item.id} size="small" onClick={() => onEdit(addSupply(rig, item.thing))}>
            {`Add ${item.thing.name}${item.qualities.price === null ? '' : ` (${item.qualities.price})`}: ${leaves.length === 0 ? 'feeds all' : `leaves ${leaves.length}`}`}
          </Button>
        ))}
        {remedies.length === 0 && (
          <Typography variant="body2">
            No supply of the gear list would feed more of them.
          </Typography>
        )}
      </Box>
    </Box>
  );
}
