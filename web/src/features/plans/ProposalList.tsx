import { keyOfPlan, sayMoves, type Proposal, type Rig, type UnitSystem } from '@gullwind/core';
import PushPin from '@mui/icons-material/PushPin';
import PushPinOutlined from '@mui/icons-material/PushPinOutlined';
import { Box, IconButton, NativeSelect, styled, Typography } from '@mui/material';
import { useState } from 'react';
import { SOUNDING_FONT } from '../../app/theme';
import { lineOf, ORDERS, sayEffort, showGoal, sortedBy, type Order } from './model/proposals';

interface Props {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly proposals: readonly Proposal[];
  readonly chosen: Proposal | null;
  readonly pinned: readonly string[];
  readonly onChoose: (key: string) => void;
  readonly onPin: (key: string) => void;
}

function OrderChoice({ order, onOrder }: { order: Order; onOrder: (order: Order) => void }) {
  return (
    <NativeSelect
      value={order}
      onChange={(event) => onOrder(event.target.value as Order)}
      inputProps={{ 'aria-label': 'Sort the plans' }}
      sx={{ fontSize: 14 }}
    >
      {Object.entries(ORDERS).map(([key, [label]]) => (
        <option key={key} value={key}>
          {`sorted by ${label}`}
        </option>
      ))}
    </NativeSelect>
  );
}

/** From leaving it alone upwards: each costs more than the one above and leaves less to wish for. */
export function ProposalList(props: Props) {
  const { rig, units, proposals, chosen, pinned, onChoose, onPin } = props;
  const [order, setOrder] = useState<Order>('burden');
  const most = Math.max(0.5, ...proposals.map(({ plan }) => lineOf(plan.score.goal)));
  return (
    <Box component="section" aria-label="Proposals">
      {proposals.length > 1 && <OrderChoice order={order} onOrder={setOrder} />}
      {proposals.length > 0 && (
        <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block' }}>
          What is left of the goal, in dB-like units: the shorter the line, the nearer.
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {sortedBy(proposals, order).map((proposal) => {
          const { plan, isAdvised } = proposal;
          const key = keyOfPlan(plan);
          const said = sayMoves(rig, plan, units);
          const isPinned = pinned.includes(key);
          return (
            <Row key={key} className={proposal === chosen ? 'chosen' : undefined}>
              <Choose
                aria-current={proposal === chosen}
                onClick={() => onChoose(key)}
                data-testid="proposal"
              >
                <Left aria-hidden style={{ width: `${(100 * lineOf(plan.score.goal)) / most}%` }} />
                <Head>
                  <i>{showGoal(plan.score.goal)}</i>
                  <span>{sayEffort(plan.effort)}</span>
                  {isAdvised && <strong>advised</strong>}
                </Head>
                {said.length === 0 ? <div>Leave it alone</div> : null}
                {said.map((words, i) => (
                  <div key={words}>
                    {said.length > 1 ? `${i + 1}. ` : ''}
                    {words}
                  </div>
                ))}
              </Choose>
              <IconButton
                size="small"
                aria-label={
                  isPinned ? 'Take from the side by side' : 'Put side by side with others'
                }
                aria-pressed={isPinned}
                onClick={() => onPin(key)}
              >
                {isPinned ? <PushPin fontSize="small" /> : <PushPinOutlined fontSize="small" />}
              </IconButton>
            </Row>
          );
        })}
      </Box>
    </Box>
  );
}

const Row = styled('li')(({ theme }) => ({
  display: 'flex',
  alignItems: 'flex-start',
  borderTop: `1px solid ${theme.chart.grid}`,
  borderLeft: '3px solid transparent',
  '&.chosen': { borderLeftColor: theme.chart.sea, background: theme.palette.background.paper },
}));

const Choose = styled('button')(({ theme }) => ({
  flex: 1,
  minWidth: 0,
  border: 0,
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  fontSize: 14,
  lineHeight: 1.35,
  padding: '6px 8px',
  textAlign: 'left',
  cursor: 'pointer',
  overflowWrap: 'anywhere',
  '&:focus-visible': { outline: `2px solid ${theme.chart.sea}` },
}));

/** What is left, as a line of water. */
const Left = styled('div')(({ theme }) => ({
  height: 5,
  background: theme.chart.sea,
  opacity: 0.75,
  borderRadius: 2,
  minWidth: 3,
}));

const Head = styled('div')(({ theme }) => ({
  display: 'flex',
  gap: 10,
  alignItems: 'baseline',
  color: theme.chart.faint,
  fontSize: 13,
  '& i': { fontFamily: SOUNDING_FONT, fontSize: 18, color: theme.chart.ink },
  '& strong': {
    marginLeft: 'auto',
    color: theme.chart.sea,
    fontWeight: 600,
  },
}));
