import {
  keyOfPlan,
  sayMoves,
  TERM_WORDS,
  WEIGHT_NAMES,
  weightsOf,
  type Edit,
  type Move,
  type PlanDetail,
  type PlansOnBoard,
  type Proposal,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import {
  Box,
  Button,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useMemo } from 'react';
import { useLatest } from '../../workers/useLatest';
import { questionsWorker } from '../../workers/workers';
import { NowMark, PinMark, ResponseChart } from '../path';
import { FIGURE_CELL } from './figures';
import { sayEffort, showGoal, showTerm, takenOver } from './model/proposals';

interface Props {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly proposals: readonly Proposal[];
  readonly onBoard: PlansOnBoard;
  readonly onTakeOver: (edit: Edit) => void;
  readonly onDone: () => void;
}

const LETTERS = ['A', 'B', 'C'];

/** Up to three proposals beside each other: moves, work, figures, curves. */
export function SideBySide({ rig, units, proposals, onBoard, onTakeOver, onDone }: Props) {
  const details = useDetails(rig, units, proposals);
  const weights = weightsOf(rig);
  const names = WEIGHT_NAMES.filter(
    (name) => weights[name] > 0 && proposals.some(({ plan: { score } }) => score.terms[name] > 0),
  );
  return (
    <Box component="article" aria-label="Side by side">
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
        <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, flex: 1 }}>
          Side by side
        </Typography>
        <Button onClick={onDone}>Back to one</Button>
      </Box>
      <Table size="small" aria-label="Proposals side by side" sx={{ tableLayout: 'fixed' }}>
        <TableHead>
          <TableRow>
            <TableCell sx={{ width: 190, pl: 0 }}>proposal</TableCell>
            {proposals.map(({ plan }, i) => (
              <TableCell key={keyOfPlan(plan)} sx={{ verticalAlign: 'top', fontSize: 14 }}>
                <strong>{LETTERS[i]}</strong> {i === 0 ? <NowMark /> : <PinMark index={i - 1} />}{' '}
                {sayMoves(rig, plan, units).join('; ') || 'Leave it alone'}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          <Line
            label="work and money"
            cells={proposals.map(({ plan }) => sayEffort(plan.effort))}
          />
          {names.map((name) => (
            <Line
              key={name}
              label={`${TERM_WORDS[name].label} × ${weights[name]}`}
              cells={proposals.map(({ plan }) => showTerm(name, plan.score.terms[name]))}
              isFigure
            />
          ))}
          <Line
            label="what is left of the goal"
            cells={proposals.map(({ plan }) => showGoal(plan.score.goal))}
            isFigure
          />
          {details?.[0]?.cases.map(({ place, scene }, i) => (
            <Line
              key={`${place} ${scene}`}
              label={`distance, ${[place, scene].filter(Boolean).join(', ') || 'as it is laid'}`}
              cells={details.map((detail) => {
                const figures = detail?.cases[i]?.after;
                return figures ? `${figures.distanceDb.toFixed(2)} dB` : 'silent';
              })}
              isFigure
            />
          ))}
          <TakeOverRow {...{ proposals, details, onBoard, onTakeOver }} />
        </TableBody>
      </Table>
      {details && <Curves details={details} />}
    </Box>
  );
}

interface TakeOverProps extends Pick<Props, 'proposals' | 'onBoard' | 'onTakeOver'> {
  readonly details: readonly (PlanDetail | null)[] | null;
}

function TakeOverRow({ proposals, details, onBoard, onTakeOver }: TakeOverProps) {
  return (
    <TableRow>
      <TableCell sx={{ pl: 0 }} />
      {proposals.map(({ plan }, i) => {
        const key = keyOfPlan(plan);
        const edit = takenOver(details?.[i], onBoard.get(key));
        return (
          <TableCell key={key}>
            {plan.moves.length > 0 && (
              <Button
                size="small"
                variant="outlined"
                disabled={!edit}
                onClick={() => edit && onTakeOver(edit)}
              >
                Use plan {LETTERS[i]}
              </Button>
            )}
          </TableCell>
        );
      })}
    </TableRow>
  );
}

function Line({
  label,
  cells,
  isFigure = false,
}: {
  label: string;
  cells: readonly string[];
  isFigure?: boolean;
}) {
  return (
    <TableRow>
      <TableCell component="th" scope="row" sx={{ pl: 0 }}>
        {label}
      </TableCell>
      {cells.map((cell, i) => (
        <TableCell key={LETTERS[i]} sx={isFigure ? { ...FIGURE_CELL, textAlign: 'left' } : null}>
          {cell}
        </TableCell>
      ))}
    </TableRow>
  );
}

function Curves({ details }: { details: readonly (PlanDetail | null)[] }) {
  const first = details[0];
  const analysed = useMemo(() => first && { rig: first.rig, analysis: first.after }, [first]);
  const pins = useMemo(
    () =>
      details.slice(1).map((detail, i) => ({
        id: LETTERS[i + 1]!,
        name: LETTERS[i + 1]!,
        nowDb: detail?.after.kind === 'sounding' ? detail.after.nowDb : null,
      })),
    [details],
  );
  return (
    <Box sx={{ height: 300, display: 'flex', mt: 1, '& > *': { flex: 1 } }}>
      <ResponseChart
        analysed={analysed ?? null}
        states={null}
        pins={pins}
        tolerance={null}
        nowName="A"
      />
    </Box>
  );
}

interface DetailsQuestion {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly moves: readonly (readonly Move[])[];
}

const askDetails = async (question: DetailsQuestion) => ({
  question,
  details: await Promise.all(
    question.moves.map((moves) =>
      questionsWorker().planDetail(question.rig, moves, question.units),
    ),
  ),
});

/** Every pinned proposal looked at closely; null until all of them are. */
function useDetails(
  rig: Rig,
  units: UnitSystem,
  proposals: readonly Proposal[],
): readonly (PlanDetail | null)[] | null {
  const question = useMemo(
    () => ({ rig, units, moves: proposals.map(({ plan }) => plan.moves) }),
    [rig, units, proposals],
  );
  const answer = useLatest(question, askDetails);
  return answer?.question === question ? answer.details : null;
}
