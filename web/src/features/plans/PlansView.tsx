import {
  heed,
  keyOfPlan,
  mainRow,
  sayFirstStep,
  type Edit,
  type PlansOnBoard,
  type Proposal,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useCallback, useMemo, useState } from 'react';
import { useAppDispatch } from '../../app/storeHooks';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { frontOf, usePlanDetail, usePlans, useUnsure } from '../../workers/usePlans';
import { useAdvice } from '../../workers/useSideQuestions';
import { Terms } from '../../ui/Terms';
import { editorActions, StagePage, type OpenRig } from '../editor';
import { GoalPanel } from './GoalPanel';
import { PlanSheet } from './PlanSheet';
import { ProposalList } from './ProposalList';
import { SearchState } from './SearchState';
import { SideBySide } from './SideBySide';
import { lookedAt, NO_PROPOSALS, pinToggled, proposalsOf, withMinutes } from './model/proposals';
import { usePlansOnBoard } from './usePlansOnBoard';

const OPTIONS = { 2: { mostMoves: 2 }, 3: { mostMoves: 3 } } as const;

/** Proposals down the left, from leaving it alone upwards; the chosen one, or the pinned ones, beside them. */
export function PlansView({ open }: { open: OpenRig }) {
  const { rig } = open;
  const [depth, setDepth] = useState<2 | 3>(2);
  const [{ units }] = useSettings();
  const { work, drawing, proposals, first, onBoard } = useProposalsOnBoard(open, depth, units);
  const choice = useChoice(rig, proposals, units);
  return (
    <StagePage open={open} stage="Plans" columns={{ md: '372px minmax(0, 1fr)' }}>
      <Box
        sx={{
          borderRight: 1,
          borderColor: 'divider',
          p: 1.5,
          overflowY: { lg: 'auto' },
          minHeight: 0,
        }}
      >
        <GoalPanel rig={rig} />
        <SearchState work={work} drawing={drawing} depth={depth} onDepth={setDepth} />
        {first && <FirstStep {...{ rig, units, first }} />}
        <ProposalList
          rig={rig}
          units={units}
          proposals={proposals}
          chosen={choice.proposal}
          pinned={choice.pinned}
          onChoose={choice.choose}
          onPin={choice.pin}
        />
      </Box>
      <Box sx={{ minWidth: 0, minHeight: 0, overflowY: { lg: 'auto' }, p: 2 }}>
        <ChosenPlan {...{ rig, units, proposals, choice, onBoard }} />
      </Box>
    </StagePage>
  );
}

interface FirstProps {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly first: Parameters<typeof sayFirstStep>[0];
}

const FirstStep = ({ rig, units, first }: FirstProps) => (
  <Typography variant="body2" data-testid="first-step" sx={{ mb: 1 }}>
    <Terms text={sayFirstStep(first)} reference={rig.electrical.reference} units={units} />
  </Typography>
);

/** The same with what they mean for the board, where there is one. */
function useProposalsOnBoard({ id, rig }: OpenRig, depth: 2 | 3, units: UnitSystem) {
  const { proposals: found, ...rest } = useProposals(rig, depth, units);
  const asked = rest.work.state.kind === 'done' ? found : NO_PROPOSALS;
  const onBoard = usePlansOnBoard(id, rig, asked, units);
  const proposals = useMemo(() => withMinutes(found, onBoard), [found, onBoard]);
  return { ...rest, proposals, onBoard };
}

/** What the search has found, and once it is at its end, how sure each gain is. */
function useProposals(rig: Rig, depth: 2 | 3, units: UnitSystem) {
  const gear = useGearItems();
  const work = usePlans(rig, gear, OPTIONS[depth]);
  const advised = useAdvice(rig, gear, mainRow(rig).id, units);
  const first = advised && heed(advised.advice, rig.texts.dismissed).first;
  const isFine = first?.kind === 'fine';
  const front = frontOf(work.state);
  // Until it is known whether it is fine as it is, nothing is advised.
  const isKnown = advised !== null;
  const shown = useMemo(
    () => (isKnown ? proposalsOf(front, { isFine }) : NO_PROPOSALS),
    [front, isFine, isKnown],
  );
  const isDone = work.state.kind === 'done' && shown.length > 0;
  const { work: drawing, unsure } = useUnsure(rig, isDone ? shown : null);
  const proposals = useMemo(
    () =>
      unsure
        ? proposalsOf(front, { isFine, isUnsure: (plan) => unsure.has(keyOfPlan(plan)) })
        : shown,
    [front, shown, unsure, isFine],
  );
  return { work, drawing, proposals, first };
}

/** Which proposal is looked at, all of it or its first move, and which are pinned to stand side by side. */
function useChoice(rig: Rig, proposals: readonly Proposal[], units: UnitSystem) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [pinned, setPinned] = useState<readonly string[]>([]);
  const [isCut, setCut] = useState(false);
  const proposal = lookedAt(proposals, chosen);
  const moves = useMemo(
    () => proposal && (isCut ? proposal.plan.moves.slice(0, 1) : proposal.plan.moves),
    [proposal, isCut],
  );
  const detail = usePlanDetail(rig, moves, units);
  const choose = (key: string) => {
    setChosen(key);
    setCut(false);
  };
  const pin = (key: string) => setPinned((before) => pinToggled(before, key));
  const unpin = () => setPinned([]);
  return { proposal, detail, pinned, isCut, choose, pin, unpin, setCut };
}

interface ChosenProps {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly proposals: readonly Proposal[];
  readonly choice: ReturnType<typeof useChoice>;
  readonly onBoard: PlansOnBoard;
}

/** The chosen proposal, or the pinned ones beside each other. */
function ChosenPlan({ rig, units, proposals, choice, onBoard }: ChosenProps) {
  const { proposal, detail, pinned, isCut, unpin, setCut } = choice;
  const takeOver = useTakeOver();
  const sideBySide = useMemo(
    () => proposals.filter(({ plan }) => pinned.includes(keyOfPlan(plan))),
    [proposals, pinned],
  );
  const shared = { rig, units, onTakeOver: takeOver };
  if (sideBySide.length > 1)
    return <SideBySide {...shared} {...{ onBoard, proposals: sideBySide, onDone: unpin }} />;
  if (!proposal || !detail) return null;
  return (
    <PlanSheet
      {...shared}
      proposals={proposals}
      proposal={proposal}
      detail={detail}
      isCut={isCut}
      onBoard={isCut ? null : (onBoard.get(keyOfPlan(proposal.plan)) ?? null)}
      onCut={setCut}
    />
  );
}

/** Makes a plan's moves in one edit, which one undo takes back. */
function useTakeOver() {
  const dispatch = useAppDispatch();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return useCallback(
    (edit: Edit) => {
      dispatch(editorActions.edited(edit));
      enqueueSnackbar('The plan is in the rig, as a revision of its own.', {
        autoHideDuration: 12_000,
        action: (key) => (
          <Button
            color="inherit"
            onClick={() => {
              closeSnackbar(key);
              dispatch(editorActions.undone());
            }}
          >
            Undo
          </Button>
        ),
      });
    },
    [dispatch, enqueueSnackbar, closeSnackbar],
  );
}
