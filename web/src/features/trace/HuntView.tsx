import { allParts, mainRow, SYMPTOM_WORDS, type Hunt } from '@gullwind/core';
import { Alert, Box, Button, Typography } from '@mui/material';
import { useSettings } from '../../app/useSettings';
import { StillRun } from '../path';
import { HuntEnded } from './HuntEnded';
import { HuntFinding } from './HuntFinding';
import { HuntQuestion } from './HuntQuestion';
import { HuntRecord } from './HuntRecord';
import { OrderPart } from './OrderPart';
import { SuspectList } from './SuspectList';
import type { TraceProps } from './traceProps';
import { useHunt, useHuntHands, type HuntNow } from './useHunt';

interface Props extends TraceProps {
  readonly id: string;
  readonly onClose: () => void;
}

/** One hunt: the search area, the question, who is suspected, and what was answered. */
export function HuntView({ id, onClose, ...props }: Props) {
  const found = useHunt(id, props);
  if (found.kind === 'none')
    return (
      <Box sx={{ p: 3 }}>
        <Alert severity="warning">There is no such hunt, or the server does not answer.</Alert>
        <Button onClick={onClose}>To all hunts</Button>
      </Box>
    );
  if (found.kind === 'opening')
    return (
      <Typography role="status" sx={{ p: 3 }}>
        Opening the hunt …
      </Typography>
    );
  return <Hunting {...props} now={found} onClose={onClose} />;
}

interface HuntingProps extends TraceProps {
  readonly now: HuntNow;
  readonly onClose: () => void;
}

function Hunting({ rig, rigId, now, onClose }: HuntingProps) {
  const hands = useHuntHands(now.hunt);
  const { hunt, state } = now;
  return (
    <>
      <HuntHead hunt={hunt} onClose={onClose} />
      <Box sx={{ order: { xs: 3, sm: 0 } }}>
        <SearchArea rig={rig} now={now} />
      </Box>
      <Box
        sx={{
          order: { xs: 2, sm: 0 },
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 380px' },
          gap: 3,
          px: { xs: 2, sm: 3 },
          pb: 4,
        }}
      >
        <Box component="section" aria-label="The question" sx={{ minWidth: 0 }}>
          {hunt.ending ? (
            <HuntEnded hunt={hunt} rigId={rigId} ending={hunt.ending} hands={hands} />
          ) : state.next ? (
            <HuntQuestion now={now} test={state.next} hands={hands} />
          ) : (
            <HuntFinding key={state.finding?.id} now={now} rigId={rigId} hands={hands} />
          )}
          <HuntRecord hunt={hunt} hands={hands} />
        </Box>
        <Box component="section" aria-label="Suspects" sx={{ minWidth: 0 }}>
          {!hunt.ending && <OrderPart now={now} hands={hands} />}
          <SuspectList now={now} hands={hands} />
        </Box>
      </Box>
    </>
  );
}

/** What is hunted for, and the way back: nothing is lost by it. */
function HuntHead({ hunt, onClose }: { readonly hunt: Hunt; readonly onClose: () => void }) {
  const comesAndGoes = hunt.comesAndGoes && hunt.symptom !== 'dropouts';
  return (
    <Box sx={{ px: { xs: 2, sm: 3 }, pt: 1, display: 'flex', gap: 1, alignItems: 'baseline' }}>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600 }}>
        {`${SYMPTOM_WORDS[hunt.symptom].label}${comesAndGoes ? ', comes and goes' : ''}`}
      </Typography>
      <Box sx={{ flex: 1 }} />
      <Button size="small" onClick={onClose} sx={{ minHeight: 44 }}>
        {hunt.ending ? 'All hunts' : 'Pause'}
      </Button>
    </Box>
  );
}

/** The Run with the suspicion on its parts; what is not on it in words. */
function SearchArea({ rig, now: { state } }: { rig: TraceProps['rig']; now: HuntNow }) {
  const [{ units }] = useSettings();
  const onWay = new Set(allParts(state.way).map(({ id }) => id));
  const beside = state.suspects.filter(
    ({ part, feeds, share }) =>
      !onWay.has(part) && (feeds.length === 0 || part === 'ground') && share >= 0.005,
  );
  const by = new Map<string, number>();
  for (const { name, share } of beside) by.set(name, (by.get(name) ?? 0) + share);
  return (
    <Box sx={{ px: { xs: 0, sm: 1 } }}>
      <StillRun
        rig={rig}
        rowId={mainRow(rig).id}
        analysed={null}
        suspicion={state.byPart}
        name="search"
        units={units}
      />
      <Typography variant="body2" sx={{ px: 2, minHeight: 22, color: 'text.secondary' }}>
        {by.size > 0 &&
          `Not on the way: ${[...by].map(([name, share]) => `${name} ${Math.round(100 * share)} %`).join(', ')}`}
      </Typography>
    </Box>
  );
}
