import {
  firstArrangement,
  layBoard,
  mainRow,
  switchNumbers,
  type BoardPlan,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useSettings } from '../../app/useSettings';
import { FieldMessage } from '../../ui/FieldMessage';
import { useElementSize } from '../../ui/useElementSize';
import { useAnalysis } from '../../workers/useAnalysis';
import { STAGE_PAGE, STAGE_PANEL, stageColumns } from '../../ui/stageLayout';
import { shownRig, StageHeader, useRigEdits, type OpenRig } from '../editor';
import { RunStrip } from '../path';
import { BoardBar } from './BoardBar';
import { BoardChart } from './BoardChart';
import { boundsOfDecks, projectionOf, WHOLE, type Look } from './model/projection';
import { CargoList } from './CargoList';
import { ConflictList } from './ConflictList';
import { EmptyBoard } from './EmptyBoard';
import { LaidSentence } from './LaidSentence';
import { ALL_LAYERS } from './layers';
import { BoardPanel } from './panels/BoardPanel';
import { ThingPanel } from './panels/ThingPanel';
import { WirePanel } from './panels/WirePanel';
import { NOTHING, onlyCable, onlyThing, type BoardSelection } from './model/selection';
import { hasBoard } from './model/boardEdits';
import { useBoardActions } from './useBoardActions';
import { useBoardHands } from './useBoardHands';
import { AskPanel } from './asking/AskPanel';
import { useAsking, type Asking } from './asking/asking';
import { usePhoto, usePictureTaker } from './photo/usePhoto';
import { useBuilding } from './asking/useBuilding';
import { useBoardKeys } from './useBoardKeys';
import { watersOf } from './model/waters';

/** The board of one rig: to scale above, the Run below it, what is in the way, and the numbers of what is selected. */
export function BoardView({ open }: { readonly open: OpenRig }) {
  const rig = useMemo(
    () => shownRig({ rig: open.rig, preview: open.preview }),
    [open.rig, open.preview],
  );
  const [{ units }] = useSettings();
  const edit = useRigEdits();
  if (hasBoard(rig)) return <LaidOut open={open} rig={rig} units={units} />;
  return (
    <Box component="main" sx={STAGE_PAGE}>
      <StageHeader stage="Board" open={open} />
      <EmptyBoard rigId={open.id} rig={rig} onEdit={edit} />
    </Box>
  );
}

interface Props {
  readonly open: OpenRig;
  readonly rig: Rig;
  readonly units: UnitSystem;
}

const START = { width: 820, height: 400 } as const;

/** What is looked at, and how. */
function useLooking(plan: BoardPlan) {
  const [selection, onSelect] = useState(NOTHING);
  const [layers, onLayers] = useState(ALL_LAYERS);
  const [look, onLook] = useState<Look>({ side: 'above', ...WHOLE });
  const [lit, onLight] = useState<string | null>(null);
  const [chart, size] = useElementSize<HTMLDivElement>(START);
  const on = useMemo(
    () => projectionOf(boundsOfDecks(plan.decks), size, look),
    [plan.decks, size, look],
  );
  return { selection, onSelect, layers, onLayers, look, onLook, lit, onLight, chart, size, on };
}

/** All that the page of a board is made of. */
function useLaidOut({ open, rig, units }: Props) {
  const plan = useMemo(() => layBoard(rig), [rig]);
  const asking = useAsking();
  const { onSelect: select, ...looked } = useLooking(plan);
  const looking = { ...looked, onSelect: useSelecting(select, asking) };
  const actions = useBoardActions();
  const photo = usePhoto(open.id);
  usePictureTaker(photo);
  const gapM = rig.layout.laying.gapM.value;
  const hands = useBoardHands({ ...looking, plan, gapM, actions, asking });
  const analysed = useAnalysis(rig);
  return { ...looking, open, rig, plan, units, analysed, actions, hands, asking, photo };
}

type SharedProps = ReturnType<typeof useLaidOut>;

function LaidOut(props: Props) {
  const shared = useLaidOut(props);
  const { open, units, look, layers, onLook, onLayers, chart, asking } = shared;
  const panel = useRef<HTMLDivElement>(null);
  useBoardKeys({ ...shared, panel, isOff: open.theirs !== null });
  return (
    <Box component="main" sx={STAGE_PAGE}>
      <StageHeader stage="Board" open={open}>
        <BoardBar
          {...{ rig: open.rig, look, layers, units, onLook, onLayers }}
          onArrange={() => asking.onAsk({ kind: 'arrange' })}
        />
      </StageHeader>
      <Box sx={COLUMNS}>
        <Drawn {...shared} />
        <Box
          ref={panel}
          component="section"
          aria-label="Selected"
          tabIndex={0}
          onKeyDown={(event) => event.key === 'Escape' && chart.current?.focus()}
          sx={STAGE_PANEL}
        >
          <SidePanel {...shared} />
        </Box>
      </Box>
    </Box>
  );
}

/** What is selected is looked at: what was asked of something else is closed. */
function useSelecting(
  onSelect: (selection: BoardSelection) => void,
  { asked, onAsk }: Asking,
): (selection: BoardSelection) => void {
  const kind = asked?.kind;
  return useCallback(
    (selection: BoardSelection) => {
      onSelect(selection);
      if (kind === 'here' || kind === 'fit' || kind === 'swap') onAsk(null);
    },
    [onSelect, onAsk, kind],
  );
}

/** The board, what it does to the treble, and what is in the way. */
function Drawn({ open, rig, analysed, ...shared }: SharedProps) {
  const { plan, units, lit, onLight, onSelect, actions } = shared;
  const waters = useMemo(() => watersOf(analysed), [analysed]);
  const numbers = useMemo(() => switchNumbers(rig), [rig]);
  const strip = analysed?.rig ?? rig;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
      <BoardChart {...shared} rig={rig} waters={waters} numbers={numbers} />
      <LaidSentence before={open.rig} rig={rig} analysed={analysed} units={units} />
      <RunStrip rig={strip} rowId={mainRow(strip).id} analysed={analysed} units={units} />
      <ConflictList
        rig={open.preview ? null : open.rig}
        {...{ plan, units, lit, onLight }}
        onEdit={actions.edit}
        onSelect={(things) => onSelect({ things, cable: null })}
      />
    </Box>
  );
}

/** What is not placed yet, and the numbers of what is selected. */
function SidePanel(props: SharedProps) {
  const { open, rig, plan, units, actions, selection, onSelect, asking, photo } = props;
  const arrange = useArrange(rig);
  const building = useBuilding(open.id, units);
  if (asking.asked)
    return (
      <AskPanel
        {...{ plan, units, actions, asking, photo, asked: asking.asked, ...building }}
        rig={open.rig}
      />
    );
  const loose = plan.things.filter(({ id }) => !rig.layout.placements[id]);
  return (
    <>
      <FieldMessage message={photo.message} />
      <CargoList
        rig={rig}
        things={loose}
        onEdit={actions.edit}
        onPlaced={(id) => onSelect(onlyThing(id))}
        onArrange={arrange}
        onAsk={(id) => asking.onAsk({ kind: 'fit', id })}
      />
      <Selected
        {...{ rig, plan, units, actions, selection, asking, photo }}
        rigId={open.id}
        onCable={(cable) => onSelect(onlyCable(cable))}
      />
    </>
  );
}

const COLUMNS = stageColumns(318);

interface SelectedProps extends Omit<Parameters<typeof ThingPanel>[0], 'id'> {
  readonly selection: typeof NOTHING;
  readonly rigId: string;
}

function Selected({ selection, rigId, onCable, ...panel }: SelectedProps) {
  const { things, cable } = selection;
  const { asking } = panel;
  if (cable !== null) return <WirePanel key={cable} {...panel} cable={cable} rigId={rigId} />;
  const last = things.at(-1);
  if (last === undefined) return <BoardPanel {...panel} />;
  return (
    <>
      {things.length > 1 && (
        <Box sx={{ fontSize: 14, mb: 0.5 }}>{`${things.length} selected; the last of them:`}</Box>
      )}
      {things.length === 2 && (
        <Button
          size="small"
          variant="outlined"
          sx={{ mb: 0.5 }}
          onClick={() => asking.onAsk({ kind: 'swap', pair: [things[0]!, things[1]!] })}
        >
          What would a swap cost?
        </Button>
      )}
      <ThingPanel key={last} {...panel} id={last} onCable={onCable} />
    </>
  );
}

/** Places everything that stands nowhere yet. */
function useArrange(rig: Rig): () => void {
  const edit = useRigEdits();
  const { enqueueSnackbar } = useSnackbar();
  return () => {
    const found = firstArrangement(rig);
    if (found.edit) edit(found.edit);
    const left = found.leftOver.length;
    if (left > 0)
      enqueueSnackbar(
        left === 1
          ? 'One thing finds no place where it is in the way of nothing; it stays in the cargo.'
          : `${left} things find no place where they are in the way of nothing; they stay in the cargo.`,
        { variant: 'info' },
      );
  };
}
