import { TERM_WORDS, WEIGHT_NAMES, type RankedPlan, type Weights } from '@gullwind/core';
import { Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';
import { FIGURE_CELL } from './figures';
import { showGoal, showTerm } from './model/proposals';

interface Props {
  readonly plan: RankedPlan;
  readonly asItIs: RankedPlan;
  readonly weights: Weights;
}

/** What the goal is made of, before and after; what weighs nothing and is nothing is left out. */
export function TermsTable({ plan, asItIs, weights }: Props) {
  const names = WEIGHT_NAMES.filter(
    (name) => weights[name] > 0 && (asItIs.score.terms[name] > 0 || plan.score.terms[name] > 0),
  );
  return (
    <Table size="small" aria-label="What the goal is made of">
      <TableHead>
        <TableRow>
          <TableCell sx={{ pl: 0 }}>mean over scenes and places</TableCell>
          <TableCell align="right">now</TableCell>
          <TableCell align="right">then</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {names.map((name) => (
          <TableRow key={name} title={TERM_WORDS[name].says}>
            <TableCell component="th" scope="row" sx={{ pl: 0 }}>
              {TERM_WORDS[name].label} × {weights[name]}
            </TableCell>
            <TableCell sx={FIGURE_CELL}>{showTerm(name, asItIs.score.terms[name])}</TableCell>
            <TableCell sx={FIGURE_CELL}>{showTerm(name, plan.score.terms[name])}</TableCell>
          </TableRow>
        ))}
        <TableRow>
          <TableCell component="th" scope="row" sx={{ pl: 0, fontWeight: 600 }}>
            what is left of the goal
          </TableCell>
          <TableCell sx={FIGURE_CELL}>{showGoal(asItIs.score.goal)}</TableCell>
          <TableCell sx={FIGURE_CELL}>{showGoal(plan.score.goal)}</TableCell>
        </TableRow>
      </TableBody>
    </Table>
  );
}
