import {
  heed,
  mainRow,
  routeRows,
  sayAdvice,
  sayWhatIsGoingOn,
  type ReferenceCable,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Terms } from '../../ui/Terms';
import { Box, Typography } from '@mui/material';
import { memo, useCallback, useMemo, useRef, useState, type RefObject } from 'react';
import { useSearchParams } from 'react-router';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { useAnalysis, type Analysed, type AnalysedWays } from '../../workers/useAnalysis';
import type { PinnedSound } from '../../workers/questions.worker';
import {
  useAdvice,
  usePins,
  useScenes,
  type Advised,
  type MeasuredSides,
} from '../../workers/useSideQuestions';
import { useStates } from '../../workers/useStates';
import { toleranceIn, useTolerance } from '../../workers/useTolerance';
import { shownRig, type OpenRig } from '../editor';
import { ExportMenu } from '../files';
import { GearPicker } from '../picker';
import { Inspector } from './inspector/Inspector';
import { JudgementColumn, type Look } from './JudgementColumn';
import { PathHeader } from './PathHeader';
import type { PinnedCurve } from './CurveKey';
import { ResponseChart } from './ResponseChart';
import { Run } from './run/Run';
import { shownRows, stopsOf } from './model/runWays';
import { StateBar } from './StateBar';
import { usePathActions, type Asked, type PathActions } from './usePathActions';
import { useFocusOnRun } from './useFocusOnRun';
import { usePathKeys } from './usePathKeys';

/** The path of one rig: the Run, the sentence, and below them curve, figures and the selected thing. */
export function PathView({ open }: { open: OpenRig }) {
  const path = useAnalysedPath(open);
  const { rig, rowId, units } = path;
  const [dialog, setDialog] = useState<Asked | null>(null);
  const inspector = useRef<HTMLDivElement>(null);
  const actions = usePathActions(rig, setDialog);
  const stops = useMemo(
    () => shownRows(rig, rowId).flatMap((id) => stopsOf(rig, id)),
    [rig, rowId],
  );
  useFocusOnRun(dialog, actions.selection);
  usePathKeys({ rig, stops, actions, inspector, isOff: dialog !== null || open.theirs !== null });
  return (
    <Box component="main" sx={PAGE}>
      <PathHeader
        open={open}
        onAdd={actions.add}
        stateBar={<StateBar rig={rig} rowId={rowId} actions={actions} />}
        exportMenu={<ExportMenu read={path.readNow} />}
      />
      <PathRun path={path} actions={actions} />
      <Sentence said={sayPath(path)} reference={path.drawn.electrical.reference} units={units} />
      <Panels path={path} actions={actions} inspector={inspector} onSwap={setDialog} />
      {dialog !== null && (
        <PathPicker
          asked={dialog}
          rig={rig}
          onClose={() => setDialog(null)}
          onPick={actions.pick}
        />
      )}
    </Box>
  );
}

const TITLES: Readonly<Record<Asked, string>> = {
  device: 'Add a pedal after the selection',
  guitar: 'Another guitar instead',
  anotherGuitar: 'Which guitar comes in too?',
  cable: 'Another cable instead',
  destination: 'Another destination instead',
};

/** The Run of the way that is looked at, drawn with what was computed of it. */
const PathRun = ({ path, actions }: Pick<PanelsProps, 'path' | 'actions'>) => (
  <Run
    rig={path.drawn}
    rowId={path.rowId}
    analysed={path.ways}
    warned={path.warned.parts}
    selection={actions.selection}
    units={path.units}
    onSelect={actions.select}
    onToggle={actions.toggle}
    onCableDrag={actions.dragCable}
    onPostDrag={actions.dragPost}
    onDragGivenUp={actions.giveUpDrag}
  />
);

interface PathPickerProps {
  readonly asked: Asked;
  readonly rig: Rig;
  readonly onClose: () => void;
  readonly onPick: PathActions['pick'];
}

const PathPicker = ({ asked, rig, onClose, onPick }: PathPickerProps) => (
  <GearPicker
    kind={asked === 'anotherGuitar' ? 'guitar' : asked}
    title={TITLES[asked]}
    ends={asked === 'device' ? rig.electrical.destinations[0]!.name : null}
    onClose={onClose}
    onPick={(item) => onPick(item, asked)}
  />
);

const PAGE = {
  height: { lg: '100vh' },
  minHeight: 740,
  display: 'flex',
  flexDirection: 'column',
} as const;

type AnalysedPath = ReturnType<typeof useAnalysedPath>;

interface Warned {
  readonly count: number;
  /** What is warned of, by the part that it speaks of. */
  readonly parts: ReadonlyMap<string, string>;
}

const NOTHING_WARNED: Warned = { count: 0, parts: new Map() };

/** What is warned of. Marks stay while the next advice is on its way: they would flicker at every step of a drag. */
function useWarned(advised: Advised | null): Warned {
  const last = useRef(NOTHING_WARNED);
  return useMemo(() => {
    if (!advised) return last.current;
    const { warnings } = heed(advised.advice, advised.rig.texts.dismissed);
    const parts = warnings.flatMap(({ spot, title }) => (spot ? [[spot.id, title] as const] : []));
    last.current = { count: warnings.length, parts: new Map(parts) };
    return last.current;
  }, [advised]);
}

/** The rig as shown, the way that is looked at, and what is computed of it. */
function useAnalysedPath({ rig: kept, preview }: OpenRig) {
  const rig = useMemo(() => shownRig({ rig: kept, preview }), [kept, preview]);
  const rowId = useLookedAt(rig);
  const ways = useAnalysis(rig);
  const analysed = useMemo(() => wayOf(ways, rowId), [ways, rowId]);
  const pinned = usePins(rig.pins, rowId);
  const work = useTolerance(rig, rowId);
  const now = useRef({ rig: kept, rowId, analysis: analysed?.analysis ?? null });
  now.current = { rig: kept, rowId, analysis: analysed?.analysis ?? null };
  const readNow = useCallback(() => now.current, []);
  const [{ units, scale }] = useSettings();
  const gear = useGearItems();
  const advised = useAdvice(preview ? null : rig, gear, rowId, units);
  const warned = useWarned(advised);
  // With what was computed of it: a step is drawn once, a frame after the hand, not twice.
  const drawn = ways?.rig ?? rig;
  return {
    rig,
    drawn,
    rowId,
    ways,
    analysed,
    advised,
    warned,
    pinned,
    work,
    readNow,
    units,
    scale,
  };
}

/** What is going on; and while the hand rests, what is warned of and what to do first. */
function sayPath({ rig, analysed, advised, units, scale }: AnalysedPath): string | null {
  if (!analysed) return null;
  const now = sayWhatIsGoingOn(analysed.rig, analysed.analysis, units, scale);
  return advised ? `${now} ${sayAdvice(heed(advised.advice, rig.texts.dismissed))}` : now;
}

interface SentenceProps {
  readonly said: string | null;
  readonly reference: ReferenceCable;
  readonly units: UnitSystem;
}

/** What is going on, in words. */
const Sentence = memo(function Sentence({ said, reference, units }: SentenceProps) {
  return (
    <Typography
      role="status"
      aria-live="polite"
      data-testid="sentence"
      sx={{
        px: 2.5,
        py: 1,
        fontSize: 16.5,
        lineHeight: 1.35,
        minHeight: 84,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Terms text={said ?? ' '} reference={reference} units={units} />
    </Typography>
  );
});

interface PanelsProps {
  readonly path: AnalysedPath;
  readonly actions: PathActions;
  readonly inspector: RefObject<HTMLDivElement | null>;
  readonly onSwap: (asked: Asked) => void;
}

/** Curve, figures, and the selected thing. */
function Panels({ path, actions, inspector, onSwap }: PanelsProps) {
  const { rig, drawn, rowId, analysed, advised, pinned, work, units } = path;
  const [look, setLook] = useState<Look>('now');
  const [uncounted, count] = useUncounted();
  const states = useStates(look === 'states' ? drawn : null, rowId, uncounted);
  const sides = useScenes(look === 'scenes' ? drawn : null, rowId);
  const pins = useLaidOver(drawn, pinned, sides);
  const shared = { rowId, units, actions };
  // Only a device has something of its own to say of what was computed.
  const ofDevice = actions.selection.kind === 'device' ? analysed : null;
  return (
    <Box sx={PANELS}>
      <ResponseChart {...{ analysed, states, pins }} tolerance={toleranceIn(work)} />
      <JudgementColumn
        {...shared}
        rig={drawn}
        analysed={analysed}
        // Whoever does not look at it is not drawn anew by it.
        advised={look === 'advice' ? advised : null}
        warnings={path.warned.count}
        look={look}
        pinned={pinned}
        sides={sides}
        work={work}
        states={states}
        uncounted={uncounted}
        onLook={setLook}
        onCount={count}
      />
      <Inspector
        {...shared}
        rig={rig}
        analysed={ofDevice}
        ref={inspector}
        selection={actions.selection}
        onSwap={onSwap}
      />
    </Box>
  );
}

const PANELS = {
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
};

/** The row whose end is looked at, as the address says; the main one where it says nothing that is there. */
function useLookedAt(rig: Rig): string {
  const [search] = useSearchParams();
  const to = search.get('to');
  return routeRows(rig).some(({ id }) => id === to) ? to! : mainRow(rig).id;
}

/** Curves laid over the rig's own: its scenes while they are looked at, otherwise its pins. */
function useLaidOver(
  rig: Rig,
  pinned: readonly PinnedSound[],
  sides: MeasuredSides | null,
): readonly PinnedCurve[] {
  return useMemo(
    () => (sides ? sceneCurves(sides) : pinnedCurves(rig.pins, pinned)),
    [rig.pins, pinned, sides],
  );
}

/** The scenes of a rig; what stands now is drawn anyway. */
const sceneCurves = ({ rig, scenes }: MeasuredSides): readonly PinnedCurve[] =>
  scenes.flatMap(({ id, sound }) => {
    const scene = rig.electrical.scenes.find((one) => one.id === id);
    return scene ? [{ id: scene.id, name: scene.name, nowDb: sound?.nowDb ?? null }] : [];
  });

function pinnedCurves(pins: Rig['pins'], pinned: readonly PinnedSound[]): readonly PinnedCurve[] {
  return pins.map(({ id, name }) => {
    const analysis = pinned.find(({ pinId }) => pinId === id)?.analysis;
    return { id, name, nowDb: analysis?.kind === 'sounding' ? analysis.nowDb : null };
  });
}

function wayOf(ways: AnalysedWays | null, rowId: string): Analysed | null {
  const analysis = ways?.analyses[rowId];
  return ways && analysis ? { rig: ways.rig, analysis } : null;
}

/** Which switches do not count, and how to say so. */
function useUncounted(): readonly [ReadonlySet<string>, (id: string, counts: boolean) => void] {
  const [uncounted, setUncounted] = useState<ReadonlySet<string>>(new Set());
  const count = useCallback((id: string, counts: boolean) => {
    setUncounted((before) => {
      const after = new Set(before);
      if (counts) after.delete(id);
      else after.add(id);
      return after;
    });
  }, []);
  return [uncounted, count];
}
