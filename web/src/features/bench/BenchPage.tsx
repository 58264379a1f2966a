import type { GearItem } from '@gullwind/core';
import { Box, styled, Typography } from '@mui/material';
import { useEffect, type ComponentType } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { STAGE_PAGE, STAGE_PANEL } from '../../ui/stageLayout';
import { Cautions } from './Cautions';
import { InstrumentChoice } from './InstrumentChoice';
import { useInstruments } from './instruments';
import { CablesJob } from './jobs/CablesJob';
import { CoilJob } from './jobs/CoilJob';
import { ImpedanceJob } from './jobs/ImpedanceJob';
import type { JobProps } from './jobs/jobProps';
import { PickupJob } from './jobs/PickupJob';
import { TrainingJob } from './jobs/TrainingJob';
import { KeptList } from './KeptList';

const JOBS = [
  { key: 'cables', words: 'Cables', what: 'a meter', uses: 'meter', Job: CablesJob },
  { key: 'coil', words: 'Pickup at the meter', what: 'a meter', uses: 'meter', Job: CoilJob },
  {
    key: 'pickup',
    words: 'Pickup by two responses',
    what: 'a sweep',
    uses: 'sweep',
    Job: PickupJob,
  },
  {
    key: 'input',
    words: 'Input of a pedal',
    what: 'a resistor',
    uses: null,
    Job: (props: JobProps) => <ImpedanceJob {...props} of="input" />,
  },
  {
    key: 'output',
    words: 'Output of a pedal',
    what: 'a resistor',
    uses: null,
    Job: (props: JobProps) => <ImpedanceJob {...props} of="output" />,
  },
  { key: 'training', words: 'Training', what: 'a hidden truth', uses: 'meter', Job: TrainingJob },
] as const satisfies readonly {
  readonly key: string;
  readonly words: string;
  readonly what: string;
  readonly uses: 'meter' | 'sweep' | null;
  readonly Job: ComponentType<JobProps>;
}[];

const NO_GEAR: readonly GearItem[] = [];

const COLUMNS = {
  flex: 1,
  minHeight: 0,
  display: 'grid',
  gridTemplateColumns: {
    xs: 'minmax(0, 1fr)',
    md: '170px minmax(0, 1fr)',
    lg: '170px minmax(0, 1fr) 290px',
  },
  borderTop: 1,
  borderColor: 'divider',
} as const;

/** The workshop’s bench: what is measured goes into the gear list, and from there into rigs. */
export function BenchPage() {
  const [asked] = useSearchParams();
  const job = JOBS.find(({ key }) => key === asked.get('job')) ?? JOBS[0];
  const [{ units }] = useSettings();
  const gear = useGearItems();
  const meters = useInstruments('meter');
  const sweeps = useInstruments('sweep');
  useEffect(() => {
    document.title = 'Measure · Gullwind';
  }, []);
  const shared: JobProps = {
    gear: gear ?? NO_GEAR,
    units,
    meter: meters.chosen,
    sweep: sweeps.chosen,
  };
  return (
    <Box component="main" sx={STAGE_PAGE}>
      <BenchHeader uses={job.uses} meters={meters} sweeps={sweeps} />
      <Box sx={COLUMNS}>
        <JobList current={job.key} />
        <Box component="section" aria-label={job.words} sx={{ ...WORK, overflowY: 'auto' }}>
          <Typography variant="h2" sx={{ fontSize: 19, mb: 1 }}>
            {job.words}
          </Typography>
          {gear !== null && <job.Job key={job.key} {...shared} />}
          <Cautions />
        </Box>
        <Box component="section" aria-label="Kept measurements" tabIndex={0} sx={STAGE_PANEL}>
          <KeptList rig={null} />
        </Box>
      </Box>
    </Box>
  );
}

interface HeaderProps {
  readonly uses: (typeof JOBS)[number]['uses'];
  readonly meters: ReturnType<typeof useInstruments>;
  readonly sweeps: ReturnType<typeof useInstruments>;
}

const BenchHeader = ({ uses, meters, sweeps }: HeaderProps) => (
  <Box component="header" sx={HEADER}>
    <Typography variant="h1">Measure</Typography>
    <Typography sx={{ color: 'text.secondary', flex: '1 1 260px' }}>
      Nothing is written to the gear list before you take it.
    </Typography>
    {uses === 'meter' && <InstrumentChoice kind="meter" {...meters} />}
    {uses === 'sweep' && <InstrumentChoice kind="sweep" {...sweeps} />}
  </Box>
);

const HEADER = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: 2,
  px: 3,
  py: 1.5,
  alignItems: 'center',
} as const;

const WORK = { px: 3, py: 1.5, minWidth: 0, borderLeft: 1, borderColor: 'divider' } as const;

const JobLink = styled(RouterLink)(({ theme }) => ({
  display: 'block',
  padding: '6px 12px',
  color: theme.chart.ink,
  textDecoration: 'none',
  borderLeft: '3px solid transparent',
  lineHeight: 1.25,
  fontSize: 14.5,
  '& span': { display: 'block', fontSize: 12.5, color: theme.chart.faint },
  '&[aria-current="page"]': { borderLeftColor: theme.chart.sea, fontWeight: 600 },
}));

const JobList = ({ current }: { readonly current: string }) => (
  <Box component="nav" aria-label="What to measure" sx={{ py: 1 }}>
    {JOBS.map(({ key, words, what }) => (
      <JobLink
        key={key}
        to={`/bench?job=${key}`}
        replace
        aria-current={key === current ? 'page' : undefined}
      >
        {words}
        <span>by {what}</span>
      </JobLink>
    ))}
  </Box>
);
