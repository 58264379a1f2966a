import { sayThing, swapsOf, type Edit, type Offered, type SwapKind } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useLatest } from '../../../workers/useLatest';
import { questionsWorker } from '../../../workers/workers';
import { AskFrame } from './AskFrame';
import { useShown } from './asking';
import type { AskProps } from '../panelProps';
import { OfferedLines } from './OfferedLines';

const SWAP_WORDS: Readonly<Record<SwapKind, string>> = {
  places: 'Places on the board; the chain stays',
  order: 'Places in the chain; the board stays',
  both: 'Both: each takes over from the other',
};

interface Question {
  readonly pair: readonly [string, string];
  readonly kinds: readonly SwapKind[];
  readonly rig: AskProps['rig'];
  readonly building: AskProps['building'];
}

const ask = async (question: Question) => ({
  question,
  costs: await Promise.all(
    question.kinds.map((kind) =>
      questionsWorker().swapCost(question.rig, question.pair, kind, question.building),
    ),
  ),
});

/** What it costs that two things change places, read before anything is unscrewed. */
export function SwapPanel({
  pair,
  ...props
}: AskProps & { readonly pair: readonly [string, string] }) {
  const { rig, plan, building, asking } = props;
  const kinds = useMemo(() => swapsOf(rig, plan, pair), [rig, plan, pair]);
  const question = useMemo(() => ({ pair, kinds, rig, building }), [pair, kinds, rig, building]);
  const answer = useLatest(question, ask);
  const isNow = answer?.question === question;
  const show = useShown(props);
  const names = pair.map((id) => sayThing(plan, id));
  return (
    <AskFrame title={`Swap ${names[0]!} and ${names[1]!}?`} onClose={() => asking.onAsk(null)}>
      {kinds.length === 0 && (
        <Typography variant="body2">
          These two cannot change places: they do not both stand on a board, and are not in one row
          of the chain.
        </Typography>
      )}
      {kinds.map((kind, i) => (
        <Swap
          key={kind}
          {...props}
          kind={kind}
          cost={isNow ? (answer.costs[i] ?? null) : null}
          onShow={show}
        />
      ))}
    </AskFrame>
  );
}

interface SwapProps extends AskProps {
  readonly kind: SwapKind;
  readonly cost: Offered | null;
  readonly onShow: (edit: Edit) => void;
}

function Swap({ kind, cost, onShow, ...props }: SwapProps) {
  const { asking, actions } = props;
  const show = () => cost && onShow(cost.edit);
  return (
    <Box
      component="section"
      aria-label={SWAP_WORDS[kind]}
      onMouseEnter={show}
      onFocus={show}
      sx={{ borderTop: 1, borderColor: 'divider', py: 0.75, mt: 0.75 }}
    >
      <Typography component="h3" sx={{ fontWeight: 600 }}>
        {SWAP_WORDS[kind]}
      </Typography>
      {cost ? (
        <OfferedLines {...props} offered={cost} />
      ) : (
        <Typography variant="body2">Looking …</Typography>
      )}
      <Button
        size="small"
        variant="contained"
        disabled={!cost}
        sx={{ mt: 0.5 }}
        onClick={() => {
          if (!cost) return;
          actions.edit(cost.edit);
          asking.onAsk(null);
        }}
      >
        Swap them so
      </Button>
    </Box>
  );
}
