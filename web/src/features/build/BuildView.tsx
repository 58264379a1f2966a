import type { BuildCable, Edit, GearItem, Rig, UnitSystem } from '@gullwind/core';
import { Box, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useSearchParams } from 'react-router';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { STAGE_PAGE, STAGE_PANEL, stageColumns } from '../../ui/stageLayout';
import { shownRig, StageHeader, useRigEdits, type OpenRig } from '../editor';
import { CablePanel } from './CablePanel';
import { CableTable } from './CableTable';
import { CutsView } from './CutsView';
import { HourRuler } from './HourRuler';
import { NextStep } from './NextStep';
import { PapersMenu } from './out/PapersMenu';
import { PartsView } from './PartsView';
import { StepList } from './StepList';
import { useBuild, useTick, type BuildNow } from './useBuild';
import { WaysPanel } from './WaysPanel';

const NO_GEAR: readonly GearItem[] = [];

const LOOKS = [
  ['steps', 'order of work'],
  ['cables', 'cables'],
  ['cuts', 'cuts'],
  ['parts', 'parts'],
] as const;
type Look = (typeof LOOKS)[number][0];

/** What is looked at, and which cable is open, as the address says it: a label's code leads here. */
function useAsked() {
  const [asked, setAsked] = useSearchParams();
  const change = (key: string, value: string | null) =>
    setAsked(
      (before) => {
        const after = new URLSearchParams(before);
        if (value === null) after.delete(key);
        else after.set(key, value);
        return after;
      },
      { replace: true },
    );
  const look = LOOKS.find(([one]) => one === asked.get('look'))?.[0] ?? 'steps';
  return { look, cable: asked.get('cable'), change };
}

/** The work on one rig: what to do next, how far it is, and papers for the bench. */
export function BuildView({ open }: { readonly open: OpenRig }) {
  const rig = shownRig({ rig: open.rig, preview: open.preview });
  const [{ units }] = useSettings();
  const gear = useGearItems() ?? NO_GEAR;
  const onEdit = useRigEdits();
  const now = useBuild(open.id, rig, gear, units);
  const { look, cable, change } = useAsked();
  const shared = { open, rig, units, gear, now, onEdit };
  return (
    <Box component="main" sx={PAGE}>
      <StageHeader stage="Build" open={open}>
        <PapersMenu rigId={open.id} rig={rig} gear={gear} now={now} units={units} />
      </StageHeader>
      <Box sx={COLUMNS}>
        <Work {...shared} look={look} change={change} />
        <Box component="section" aria-label="Selected" sx={STAGE_PANEL}>
          <Side
            {...shared}
            chosen={now.cables.find(({ id }) => id === cable) ?? null}
            change={change}
          />
        </Box>
      </Box>
    </Box>
  );
}

interface SharedProps {
  readonly open: OpenRig;
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly gear: readonly GearItem[];
  readonly now: BuildNow;
  readonly onEdit: (edit: Edit) => void;
}

type Change = ReturnType<typeof useAsked>['change'];

interface WorkProps extends SharedProps {
  readonly look: Look;
  readonly change: Change;
}

function Work({ look, change, ...shared }: WorkProps) {
  const { open, now } = shared;
  const { steps, next } = now.progress;
  const onTick = useTick(open.id, open.basedOn, now);
  const onCable = (id: string) => change('cable', id);
  const last = now.records.done.at(-1);
  return (
    <Box sx={{ minHeight: 0, overflowY: 'auto' }}>
      <NextStep
        next={next}
        last={steps.find(({ step, isDone }) => isDone && step.id === last?.step)?.step ?? null}
        isAllDone={steps.every(({ isDone }) => isDone)}
        onTick={onTick}
        onCable={onCable}
      />
      <HourRuler progress={now.progress} time={now.time} />
      <ToggleButtonGroup
        exclusive
        value={look}
        aria-label="What is shown"
        onChange={(_event, to: Look | null) => to && change('look', to === 'steps' ? null : to)}
        sx={{ px: 2.5, pb: 0.5 }}
      >
        {LOOKS.map(([one, words]) => (
          <ToggleButton key={one} value={one} sx={LOOK}>
            {words}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Box sx={{ px: 2.5, pb: 3, overflowX: 'auto' }}>
        {look === 'steps' && <StepList {...{ steps, next, onTick, onCable }} />}
        {look === 'cables' && <CableTable {...{ ...now, units: shared.units, onCable }} />}
        {look === 'cuts' && <CutsView {...shared} />}
        {look === 'parts' && <PartsView {...shared} />}
      </Box>
    </Box>
  );
}

interface SideProps extends SharedProps {
  readonly chosen: BuildCable | null;
  readonly change: Change;
}

function Side({ chosen, change, ...shared }: SideProps) {
  const { open, rig, units, gear, now, onEdit } = shared;
  const onTick = useTick(open.id, open.basedOn, now);
  if (!chosen) return <WaysPanel rig={rig} forgotten={now.forgotten} onEdit={onEdit} />;
  const test = now.progress.steps.find(({ step }) => step.id === `test ${chosen.id}`);
  return (
    <CablePanel
      rigId={open.id}
      revision={open.basedOn}
      {...{ rig, units, gear, onEdit }}
      cable={chosen}
      state={now.states.get(chosen.id) ?? 'to do'}
      tests={now.records.tests}
      onPassed={() => test && !test.isDone && onTick(test.step, true)}
      onClose={() => change('cable', null)}
    />
  );
}

const LOOK = { border: 0, px: 1.5, minHeight: 44, fontSize: 16, textTransform: 'none' } as const;

const COLUMNS = stageColumns(340);

/** On a tablet, too, the step stays in sight. */
const PAGE = { ...STAGE_PAGE, height: { md: '100vh' } } as const;
