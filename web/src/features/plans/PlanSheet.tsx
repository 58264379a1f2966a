import {
  sayAgainst,
  sayLeaveAlone,
  sayMoves,
  sayWhyBetter,
  sayWorse,
  weightsOf,
  type Edit,
  type PlanOnBoard,
  type Proposal,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useMemo, type ReactNode } from 'react';
import type { ShownPlan } from '../../workers/questions.worker';
import { ResponseChart, StillRun } from '../path';
import { CasesTable } from './CasesTable';
import { PartsList } from './PartsList';
import { curvesOf, sayEffort, takenOver, waysOf } from './model/proposals';
import { Established } from './Established';
import { TermsTable } from './TermsTable';

interface Props {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly proposals: readonly Proposal[];
  readonly proposal: Proposal;
  readonly detail: ShownPlan;
  /** What it means for the board, where that is known and there is one. */
  readonly onBoard: PlanOnBoard | null;
  /** Only its first move is looked at. */
  readonly isCut: boolean;
  readonly onCut: (isCut: boolean) => void;
  readonly onTakeOver: (edit: Edit) => void;
}

/** One proposal: what to do in which order, what it brings, what it costs, and what speaks against it. */
export function PlanSheet(props: Props) {
  const { rig, units, proposals, detail, onBoard } = props;
  const asItIs = proposals[0]!.plan;
  const { plan } = detail;
  return (
    <Box component="article" aria-label="Proposal" data-testid="plan">
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start' }}>
        <MovesAndWhy {...props} />
        <PlanButtons {...props} />
      </Box>
      {plan.moves.length > 0 && <Established rig={rig} after={detail.rig} />}
      <Notes title="What gets worse" notes={[...sayWorse(plan, asItIs), ...detail.worse]} />
      <Notes title="On the board" notes={onBoard?.says ?? []} />
      <Notes title="What speaks against it" notes={sayAgainst(rig, plan, asItIs)} />
      <Runs rig={rig} detail={detail} units={units} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 300px' }, gap: 2 }}>
        <Curves detail={detail} />
        <Box>
          <TermsTable plan={plan} asItIs={asItIs} weights={weightsOf(rig)} />
          <PartsList effort={plan.effort} moves={plan.moves} />
        </Box>
      </Box>
      <CasesTable cases={detail.cases} />
    </Box>
  );
}

/** What to do, in working order, and why rather this than less of it. */
function MovesAndWhy({ rig, units, proposals, proposal, detail, isCut, onBoard }: Props) {
  const { minutes } = onBoard?.rework ?? detail.plan.effort;
  // Told, and held against the others, by the minutes that Build asks for.
  const plan = { ...detail.plan, effort: { ...detail.plan.effort, minutes } };
  const before = proposals[proposals.indexOf(proposal) - 1]?.plan;
  const effort = `${sayEffort(plan.effort)}.`;
  if (plan.moves.length === 0)
    return (
      <Box sx={{ flex: 1 }}>
        <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600 }}>
          Leave it alone
        </Typography>
        <Why>{sayLeaveAlone(proposal, proposals.at(-1)!.plan)}</Why>
      </Box>
    );
  return (
    <Box sx={{ flex: 1 }}>
      <Box
        component="ol"
        aria-label="Moves, in working order"
        sx={{ m: 0, pl: 3, fontSize: 17, fontWeight: 600, lineHeight: 1.4 }}
      >
        {sayMoves(rig, plan, units).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Box>
      <Why>
        {isCut || !before ? effort : `${effort} ${sayWhyBetter(plan, before, weightsOf(rig))}`}
      </Why>
    </Box>
  );
}

const Why = ({ children }: { readonly children: string }) => (
  <Typography sx={{ mt: 0.5 }} data-testid="why">
    {children}
  </Typography>
);

function PlanButtons({ proposal, detail, isCut, onCut, onTakeOver, onBoard }: Props) {
  const edit = takenOver(detail, onBoard);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 0.5, flexShrink: 0 }}>
      {edit && (
        <Button variant="contained" onClick={() => onTakeOver(edit)}>
          Use this plan
        </Button>
      )}
      {proposal.plan.moves.length > 1 && (
        <Button size="small" aria-pressed={isCut} onClick={() => onCut(!isCut)}>
          {isCut ? 'All its moves' : 'Only the first move?'}
        </Button>
      )}
    </Box>
  );
}

function Notes({ title, notes }: { title: string; notes: readonly string[] }): ReactNode {
  if (notes.length === 0) return null;
  return (
    <Typography variant="body2" sx={{ mt: 0.5 }}>
      <strong>{title}.</strong> {notes.join(notes[0]!.endsWith('.') ? ' ' : '; ')}
      {notes[0]!.endsWith('.') ? '' : '.'}
    </Typography>
  );
}

/** The way before and after, to the same scale of its own. */
function Runs({ rig, detail, units }: { rig: Rig; detail: ShownPlan; units: UnitSystem }) {
  const { rowId, ways } = useMemo(() => waysOf(rig, detail), [rig, detail]);
  return (
    <Box sx={{ mt: 1.5 }}>
      {ways.map(({ name, title, rig: shown, analysed }) => (
        <Box
          key={name}
          component="section"
          aria-label={`The way ${name}`}
          sx={{ borderTop: 1, borderColor: 'divider' }}
        >
          <Typography component="h3" variant="h2" sx={{ pt: 0.5 }}>
            {title}
          </Typography>
          <StillRun rig={shown} rowId={rowId} analysed={analysed} name={name} units={units} />
        </Box>
      ))}
    </Box>
  );
}

function Curves({ detail }: { detail: ShownPlan }) {
  const { now, nowName, behind } = useMemo(() => curvesOf(detail), [detail]);
  return (
    <Box sx={{ height: 270, display: 'flex', '& > *': { flex: 1 } }}>
      <ResponseChart
        analysed={now}
        states={null}
        pins={behind}
        tolerance={null}
        nowName={nowName}
      />
    </Box>
  );
}
