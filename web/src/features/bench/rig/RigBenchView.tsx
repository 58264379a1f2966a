import { MOST_EXERCISE } from '@gullwind/contract';
import { chainOf, type FieldRule, type RigSweep, type UnitSystem } from '@gullwind/core';
import { Alert, Box, Button, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import { useSettings } from '../../../app/useSettings';
import { BarChoice } from '../../../ui/BarChoice';
import { PlainNumberField } from '../../../ui/PlainNumberField';
import { PlainQuantityField } from '../../../ui/PlainQuantityField';
import { STAGE_PAGE, STAGE_PANEL, stageColumns } from '../../../ui/stageLayout';
import { shownRig, StageHeader, type OpenRig } from '../../editor';
import { Cautions } from '../Cautions';
import { ConnectionDrawing } from '../ConnectionDrawing';
import { InstrumentChoice } from '../InstrumentChoice';
import { BY_HAND, useInstruments, type Chosen } from '../instruments';
import { KeptList } from '../KeptList';
import { ResponseFile } from '../ResponseFile';
import { DiagnosisPart } from './DiagnosisPart';
import { NoiseGroup } from './NoiseGroup';
import { useRigBench, type RigBench } from './useRigBench';

const SOURCE: FieldRule = { label: 'Known source', quantity: 'resistance', min: 1, max: 1e7 };

const FROM_WORDS = {
  coil: 'in series with the pickup',
  source: 'in the place of the guitar',
} as const;

/** A response taken at the amp’s end, held against the model of the same rig. */
export function RigBenchView({ open }: { readonly open: OpenRig }) {
  const rig = shownRig({ rig: open.rig, preview: open.preview });
  const [{ units }] = useSettings();
  const sweeps = useInstruments('sweep');
  const bench = useRigBench(open.id, rig, sweeps.chosen, units);
  return (
    <Box component="main" sx={STAGE_PAGE}>
      <StageHeader stage="Bench" open={open}>
        <InstrumentChoice kind="sweep" {...sweeps} />
      </StageHeader>
      <Box sx={stageColumns(310)}>
        <Box component="section" aria-label="Measured against the model" sx={WORK}>
          <SweepSetting bench={bench} units={units} chosen={sweeps.chosen} />
          <DiagnosisPart {...{ bench, rig, rigId: open.id, units }} chosen={sweeps.chosen} />
          <Cautions />
        </Box>
        <Box component="section" aria-label="Kept measurements" tabIndex={0} sx={STAGE_PANEL}>
          <Button component={RouterLink} to="/bench" size="small">
            Measure a cable, a pickup, a pedal
          </Button>
          <NoiseGroup chain={chainOf(rig)} units={units} />
          <KeptList rig={open.id} />
        </Box>
      </Box>
    </Box>
  );
}

const WORK = { px: 3, py: 1.5, overflowY: 'auto', minHeight: 0, minWidth: 0 } as const;

interface SettingProps {
  readonly bench: RigBench;
  readonly units: UnitSystem;
  readonly chosen: Chosen;
}

function SweepSetting({ bench, units, chosen }: SettingProps) {
  const { sweep, sweeper, taken } = bench;
  return (
    <>
      <ConnectionDrawing setup={sweep.from === 'coil' ? 'rigCoil' : 'rigSource'} />
      <SweepChoices bench={bench} units={units} />
      <TakeBar bench={bench} chosen={chosen} />
      {sweeper.problem && <Alert severity="warning">{sweeper.problem}</Alert>}
      {!taken && (
        <Typography variant="body2" sx={{ mt: 1, color: 'text.secondary', maxWidth: 620 }}>
          The switches stand as on Path. What the sweep finds is held against the model of this very
          rig; then every part is changed by itself until it explains as much as it can.
        </Typography>
      )}
    </>
  );
}

function SweepChoices({ bench, units }: Pick<SettingProps, 'bench' | 'units'>) {
  const { sweep, setSweep } = bench;
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', my: 1 }}>
      <BarChoice
        label="Where the sweep goes in"
        value={sweep.from}
        onChange={(from) => setSweep({ ...sweep, from: from as RigSweep['from'] })}
      >
        {Object.entries(FROM_WORDS).map(([from, words]) => (
          <option key={from} value={from}>
            {words}
          </option>
        ))}
      </BarChoice>
      <BarChoice
        label="What is known of the level"
        value={sweep.isCalibrated ? 'known' : 'shape'}
        onChange={(to) => setSweep({ ...sweep, isCalibrated: to === 'known' })}
      >
        <option value="known">its level is known</option>
        <option value="shape">only its shape counts</option>
      </BarChoice>
      {sweep.from === 'source' && (
        <Box sx={{ width: 230 }}>
          <PlainQuantityField
            rule={SOURCE}
            value={sweep.sourceOhm}
            units={units}
            onChange={(value) => setSweep({ ...sweep, sourceOhm: value })}
          />
        </Box>
      )}
    </Box>
  );
}

function TakeBar({ bench, chosen }: Pick<SettingProps, 'bench' | 'chosen'>) {
  const { sweeper, taken, exercise, setExercise } = bench;
  if (chosen.id === BY_HAND)
    return (
      <ResponseFile onRead={(response) => bench.keep(response)}>
        Open a measured response
      </ResponseFile>
    );
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
      <Button variant="contained" disabled={sweeper.isSweeping} onClick={() => void bench.take()}>
        {sweeper.isSweeping ? 'Sweeping …' : taken ? 'Sweep again' : 'Take the response'}
      </Button>
      {chosen.isSimulated && (
        <Box sx={{ width: 300 }}>
          <PlainNumberField
            label="Exercise (0 hides nothing)"
            title="The simulated sweep can hide one fault in this rig: each number another one."
            value={exercise}
            max={MOST_EXERCISE}
            isWhole
            onChange={setExercise}
          />
        </Box>
      )}
    </Box>
  );
}
