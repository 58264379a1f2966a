import { mainRow, routeRows, sayWhatIsGoingOn, type Rig } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useListGearQuery } from '../../app/api';
import { useSettings } from '../../app/useSettings';
import { useAnalysis, type Analysed, type AnalysedWays } from '../../workers/useAnalysis';
import type { PinnedSound } from '../../workers/questions.worker';
import { usePins } from '../../workers/useSideQuestions';
import { useStates } from '../../workers/useStates';
import { toleranceIn, useTolerance } from '../../workers/useTolerance';
import { shownRig, type OpenRig } from '../editor';
import { ExportMenu } from '../files';
import { GearPicker, type PickerKind } from '../picker';
import { Inspector } from './inspector/Inspector';
import { JudgementColumn, type Look } from './JudgementColumn';
import { PathHeader } from './PathHeader';
import type { PinnedCurve } from './CurveKey';
import { ResponseChart } from './ResponseChart';
import { Run } from './run/Run';
import { shownRows, stopsOf } from './run/runWays';
import { StandBar } from './StandBar';
import { usePathActions } from './usePathActions';
import { usePathKeys } from './usePathKeys';

/** The path of one rig: the Run, the sentence, and below them curve, figures and the selected thing. */
export function PathView({ open }: { open: OpenRig }) {
  const rig = useMemo(() => shownRig(open), [open.rig, open.preview]);
  const rowId = useLookedAt(rig);
  const ways = useAnalysis(rig);
  const analysed = useMemo(() => wayOf(ways, rowId), [ways, rowId]);
  const [look, setLook] = useState<Look>('now');
  const [left, count] = useLeftOut();
  const states = useStates(look === 'states' ? rig : null, rowId, left);
  const pinned = usePins(rig.pins, rowId);
  const work = useTolerance(rig, rowId);
  const pins = useMemo(() => pinnedCurves(rig, pinned), [rig.pins, pinned]);
  const stops = useMemo(
    () => shownRows(rig, rowId).flatMap((id) => stopsOf(rig, id)),
    [rig, rowId],
  );
  const now = useRef({ rig: open.rig, rowId, analysis: analysed?.analysis ?? null });
  now.current = { rig: open.rig, rowId, analysis: analysed?.analysis ?? null };
  const readNow = useCallback(() => now.current, []);
  const [{ units }] = useSettings();
  const [dialog, setDialog] = useState<PickerKind | null>(null);
  const inspector = useRef<HTMLDivElement>(null);
  const actions = usePathActions(rig, setDialog);
  usePathKeys({ rig, stops, actions, inspector, isOff: dialog !== null || open.theirs !== null });
  useListGearQuery(); // at hand before the picker opens
  const { selection } = actions;
  return (
    <Box
      component="main"
      sx={{
        height: { lg: '100vh' },
        minHeight: 740,
        display: 'flex',
        flexDirection: 'column',
      }}
    >
      <PathHeader
        open={open}
        onAdd={actions.add}
        standBar={<StandBar rig={rig} rowId={rowId} actions={actions} />}
        exportMenu={<ExportMenu read={readNow} />}
      />
      <Run
        rig={rig}
        rowId={rowId}
        analysed={ways}
        selection={selection}
        units={units}
        onSelect={actions.select}
        onToggle={actions.toggle}
        onCableDrag={actions.dragCable}
        onPostDrag={actions.dragPost}
        onDragGivenUp={actions.giveUpDrag}
      />
      <Typography
        role="status"
        aria-live="polite"
        data-testid="sentence"
        sx={{
          px: 2.5,
          py: 1,
          fontSize: 16.5,
          lineHeight: 1.35,
          minHeight: 62,
          borderTop: 1,
          borderColor: 'divider',
        }}
      >
        {analysed ? sayWhatIsGoingOn(analysed.rig, analysed.analysis, units) : ' '}
      </Typography>
      <Box
        sx={{
          flex: 1,
          minHeight: 0,
          display: 'grid',
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            md: '1fr 1fr',
            lg: 'minmax(0, 1fr) 262px 330px',
          },
          borderTop: 1,
          borderColor: 'divider',
        }}
      >
        <ResponseChart
          analysed={analysed}
          states={states}
          pins={pins}
          tolerance={toleranceIn(work)}
        />
        <JudgementColumn
          look={look}
          rig={rig}
          rowId={rowId}
          pinned={pinned}
          work={work}
          units={units}
          analysed={analysed}
          states={states}
          left={left}
          actions={actions}
          onLook={setLook}
          onCount={count}
        />
        <Inspector
          ref={inspector}
          rig={rig}
          rowId={rowId}
          analysed={analysed}
          selection={selection}
          units={units}
          actions={actions}
          onSwap={setDialog}
        />
      </Box>
      {dialog !== null && (
        <GearPicker kind={dialog} onClose={() => setDialog(null)} onPick={actions.pick} />
      )}
    </Box>
  );
}

/** The row whose end is looked at, as the address says; the main one where it says nothing that is there. */
function useLookedAt(rig: Rig): string {
  const [search] = useSearchParams();
  const to = search.get('to');
  return routeRows(rig).some(({ id }) => id === to) ? to! : mainRow(rig).id;
}

function pinnedCurves(rig: Rig, pinned: readonly PinnedSound[]): readonly PinnedCurve[] {
  return rig.pins.map(({ id, name }) => {
    const analysis = pinned.find(({ pinId }) => pinId === id)?.analysis;
    return { id, name, nowDb: analysis?.kind === 'sounding' ? analysis.nowDb : null };
  });
}

function wayOf(ways: AnalysedWays | null, rowId: string): Analysed | null {
  const analysis = ways?.analyses[rowId];
  return ways && analysis ? { rig: ways.rig, analysis } : null;
}

/** Which switches do not count, and how to say so. */
function useLeftOut(): readonly [ReadonlySet<string>, (id: string, counts: boolean) => void] {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const count = useCallback((id: string, counts: boolean) => {
    setLeft((before) => {
      const after = new Set(before);
      if (counts) after.delete(id);
      else after.add(id);
      return after;
    });
  }, []);
  return [left, count];
}
