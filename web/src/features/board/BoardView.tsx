import {
  firstArrangement,
  layBoard,
  mainRow,
  switchNumbers,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useMemo, useRef, useState } from 'react';
import { useSettings } from '../../app/useSettings';
import { useElementSize } from '../../ui/useElementSize';
import { useAnalysis } from '../../workers/useAnalysis';
import { shownRig, StageHeader, useRigEdits, type OpenRig } from '../editor';
import { RunStrip } from '../path';
import { BoardBar } from './BoardBar';
import { BoardChart } from './BoardChart';
import { boundsOfDecks, projectionOf, WHOLE, type Look } from './chart/projection';
import { CargoList } from './CargoList';
import { ConflictList } from './ConflictList';
import { EmptyBoard } from './EmptyBoard';
import { LaidSentence } from './LaidSentence';
import { ALL_LAYERS } from './layers';
import { BoardPanel } from './panels/BoardPanel';
import { ThingPanel } from './panels/ThingPanel';
import { WirePanel } from './panels/WirePanel';
import { NOTHING, onlyCable, onlyThing } from './selection';
import { hasBoard, useBoardActions } from './useBoardActions';
import { useBoardHands } from './useBoardHands';
import { useBoardKeys } from './useBoardKeys';
import { watersOf } from './waters';

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
    <Box component="main" sx={PAGE}>
      <StageHeader stage="Board" open={open} />
      <EmptyBoard rigId={open.id} rig={rig} onEdit={edit} />
    </Box>
  );
}

const PAGE = {
  height: { lg: '100vh' },
  minHeight: 700,
  display: 'flex',
  flexDirection: 'column',
} as const;

interface Props {
  readonly open: OpenRig;
  readonly rig: Rig;
  readonly units: UnitSystem;
}

const START = { width: 820, height: 400 } as const;

function LaidOut({ open, rig, units }: Props) {
  const plan = useMemo(() => layBoard(rig), [rig]);
  const analysed = useAnalysis(rig);
  const waters = useMemo(() => watersOf(analysed), [analysed]);
  const numbers = useMemo(() => switchNumbers(rig), [rig]);
  const [selection, select] = useState(NOTHING);
  const [layers, setLayers] = useState(ALL_LAYERS);
  const [look, setLook] = useState<Look>({ side: 'above', ...WHOLE });
  const [lit, light] = useState<string | null>(null);
  const [chart, size] = useElementSize<HTMLDivElement>(START);
  const panel = useRef<HTMLDivElement>(null);
  const actions = useBoardActions();
  const on = useMemo(
    () => projectionOf(boundsOfDecks(plan.decks), size, look),
    [plan.decks, size, look],
  );
  const gapM = rig.layout.laying.gapM.value;
  const shared = { plan, look, size, onLook: setLook, selection, onSelect: select, actions };
  const hands = useBoardHands({ ...shared, chart, gapM, on });
  useBoardKeys({ ...shared, panel, isOff: open.theirs !== null });
  const arrange = useArrange(rig);
  const loose = plan.things.filter(({ id }) => !rig.layout.placements[id]);
  const rowId = mainRow(rig).id;
  return (
    <Box component="main" sx={PAGE}>
      <StageHeader stage="Board" open={open}>
        <BoardBar
          {...{ rig: open.rig, look, layers, units }}
          onLook={setLook}
          onLayers={setLayers}
        />
      </StageHeader>
      <Box sx={COLUMNS}>
        <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
          <BoardChart
            {...{
              rig,
              plan,
              look,
              on,
              size,
              layers,
              units,
              waters,
              numbers,
              lit,
              selection,
              hands,
              chart,
            }}
            onSelect={select}
          />
          <LaidSentence before={open.rig} rig={rig} analysed={analysed} units={units} />
          <RunStrip rig={analysed?.rig ?? rig} rowId={rowId} analysed={analysed} units={units} />
          <ConflictList
            rig={open.preview ? null : open.rig}
            {...{ plan, units, lit }}
            onLight={light}
            onEdit={actions.edit}
            onSelect={(things) => select({ things, cable: null })}
          />
        </Box>
        <Box
          ref={panel}
          component="section"
          aria-label="Selected"
          tabIndex={0}
          onKeyDown={(event) => event.key === 'Escape' && chart.current?.focus()}
          sx={PANEL}
        >
          <CargoList
            rig={rig}
            things={loose}
            onEdit={actions.edit}
            onPlaced={(id) => select(onlyThing(id))}
            onArrange={arrange}
          />
          <Selected
            {...{ rig, plan, units, actions, selection }}
            rigId={open.id}
            onCable={(cable) => select(onlyCable(cable))}
          />
        </Box>
      </Box>
    </Box>
  );
}

const COLUMNS = {
  flex: 1,
  minHeight: 0,
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 318px' },
} as const;

const PANEL = {
  borderLeft: 1,
  borderColor: 'divider',
  px: 2,
  py: 1.25,
  overflowY: 'auto',
  minHeight: 0,
} as const;

interface SelectedProps extends Omit<Parameters<typeof ThingPanel>[0], 'id'> {
  readonly selection: typeof NOTHING;
  readonly rigId: string;
}

function Selected({ selection, rigId, onCable, ...panel }: SelectedProps) {
  const { things, cable } = selection;
  if (cable !== null) return <WirePanel key={cable} {...panel} cable={cable} rigId={rigId} />;
  const last = things.at(-1);
  if (last === undefined) return <BoardPanel {...panel} />;
  return (
    <>
      {things.length > 1 && (
        <Box sx={{ fontSize: 14, mb: 0.5 }}>{`${things.length} selected; the last of them:`}</Box>
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
