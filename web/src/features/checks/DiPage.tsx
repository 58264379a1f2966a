import {
  chooseDi,
  sayUnbalanced,
  entered,
  FIELD_RULES,
  formatQuantity,
  formatSignedDb,
  guitarOfClass,
  headroomDb,
  usualPeakV,
  cableOfClass,
  PICKUP_CLASSES,
  playingGuitar,
  USUAL_ENDS,
  type DiChoice,
  type Destination,
  type FieldRule,
  type Guitar,
  type PickupClass,
  type Sourced,
} from '@gullwind/core';
import CheckCircleOutlined from '@mui/icons-material/CheckCircleOutlined';
import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import InfoOutlined from '@mui/icons-material/InfoOutlined';
import { Box, styled, Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useGetRigQuery, useListGearQuery } from '../../app/api';
import { SOUNDING_FONT } from '../../app/theme';
import { useSettings } from '../../app/useSettings';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { QuantityField } from '../../ui/QuantityField';
import { useEditor } from '../editor';
import { OtherWays } from './OtherWays';

const volts = (label: string): FieldRule => ({ label, quantity: 'voltage', min: 0.01, max: 60 });
const PEAK = volts('Highest peak of the source');
const MOST = volts('Most that the input takes');

/** Which DI for this source, and what the wrong one does to it. */
export function DiPage() {
  const [{ units }] = useSettings();
  const { sources, destinations } = useSourcesAndDestinations();
  const [chosen, setChosen] = useState<string | null>(null);
  const [lengthM, setLength] = useState<Sourced>(entered(5));
  const [cPerMF, setCapacitance] = useState<Sourced>(
    cableOfClass('ordinary', 'l1', entered(5)).cPerMF,
  );
  const source = sources.find(({ key }) => key === chosen) ?? sources[0]!;
  const choices = useMemo(() => {
    const cable = { ...cableOfClass('ordinary', 'l1', lengthM), cPerMF };
    return chooseDi(source.guitar, cable, destinations);
  }, [source, lengthM, cPerMF, destinations]);
  useEffect(() => {
    document.title = 'Which DI · Gullwind';
  }, []);
  return (
    <Box component="main" sx={{ p: 3, maxWidth: 1120 }}>
      <Typography variant="h1">Which DI?</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 2, maxWidth: 720 }}>
        Past {sayUnbalanced(units)} towards a mixer, use one. A source without an output of its own
        wants a high input; what has one likes a transformer.
      </Typography>
      <Box sx={TWO_COLUMNS}>
        <Box component="section" aria-label="The source">
          <ChoiceField
            label="Source"
            value={source.key}
            options={sources.map(({ key, name }) => [key, name] as const)}
            onChange={setChosen}
          />
          <CableToDi {...{ lengthM, cPerMF, setLength, setCapacitance }} />
          <Headroom key={source.key} usualV={usualPeakV(source.guitar)} />
          <OtherWays key={`ways ${source.key}`} units={units} guitarV={usualPeakV(source.guitar)} />
          <Caution />
        </Box>
        <Box component="section" aria-label="What it could go into">
          {choices.map((choice) => (
            <Choice key={choice.name} choice={choice} />
          ))}
        </Box>
      </Box>
    </Box>
  );
}

const TWO_COLUMNS = {
  display: 'grid',
  gridTemplateColumns: { md: '300px minmax(0, 1fr)' },
  columnGap: 4,
  rowGap: 2,
} as const;

interface CableProps {
  readonly lengthM: Sourced;
  readonly cPerMF: Sourced;
  readonly setLength: (to: Sourced) => void;
  readonly setCapacitance: (to: Sourced) => void;
}

function CableToDi({ lengthM, cPerMF, setLength, setCapacitance }: CableProps) {
  const [{ units }] = useSettings();
  return (
    <>
      <QuantityField
        rule={FIELD_RULES.cable.lengthM}
        label="Cable to the DI"
        value={lengthM}
        units={units}
        assumedFrom="a cable to a DI"
        onChange={setLength}
      />
      <QuantityField
        rule={FIELD_RULES.cable.cPerMF}
        value={cPerMF}
        units={units}
        assumedFrom="an ordinary cable"
        onChange={setCapacitance}
      />
    </>
  );
}

/** How much higher the source may peak before the input clips. */
function Headroom({ usualV }: { readonly usualV: number }) {
  const [{ units }] = useSettings();
  const [peakV, setPeak] = useState<Sourced>({ value: usualV, from: 'assumed' });
  const [mostV, setMost] = useState<Sourced>({ value: 4, from: 'assumed' });
  const room = headroomDb(peakV.value, mostV.value);
  return (
    <>
      <Typography variant="h2" sx={{ fontSize: 14, mt: 2 }}>
        Headroom
      </Typography>
      <QuantityField
        rule={PEAK}
        label="Highest peak"
        value={peakV}
        units={units}
        assumedFrom="a hard stroke on such a source"
        onChange={setPeak}
      />
      <QuantityField
        rule={MOST}
        label="The input takes"
        value={mostV}
        units={units}
        assumedFrom="a DI on phantom power"
        onChange={setMost}
      />
      <Typography variant="body2" sx={{ mt: 0.5 }} data-testid="headroom">
        {room >= 0
          ? `${formatSignedDb(room)} dB of room above the hardest stroke.`
          : `It clips: the hardest stroke is ${formatSignedDb(-room)} dB too much. Switch its pad in.`}
      </Typography>
    </>
  );
}

const Caution = () => (
  <Typography variant="caption" sx={{ display: 'block', mt: 2, color: 'text.secondary' }}>
    Mute the channel before phantom power or a plug. Never a DI after a loudspeaker output unless it
    has a tap made for that.
  </Typography>
);

interface Source {
  readonly key: string;
  readonly name: string;
  readonly guitar: Guitar;
}

const TYPICAL: readonly Source[] = (Object.keys(PICKUP_CLASSES) as PickupClass[]).map((name) => ({
  key: name,
  name: `a ${PICKUP_CLASSES[name].label}`,
  guitar: guitarOfClass(name, ''),
}));
const bright = guitarOfClass('brightSingle', '');
const OTHERS: readonly Source[] = [
  { key: 'piezo', name: 'a piezo', guitar: { ...bright, kind: 'piezo' } },
  {
    key: 'active',
    name: 'active electronics, a modeller, a pedal that is on',
    guitar: { ...bright, kind: 'active' },
  },
];

/** The guitars of the rig one comes from, of the gear list, and of every class; all ends that are known. */
function useSourcesAndDestinations(): {
  readonly sources: readonly Source[];
  readonly destinations: readonly Destination[];
} {
  const [params] = useSearchParams();
  const lastRig = useEditor(({ open }) => open?.id);
  const rigId = params.get('rig') ?? lastRig ?? null;
  const { data: open } = useGetRigQuery(rigId ?? '', { skip: rigId === null });
  const { data: gear } = useListGearQuery();
  return useMemo(() => {
    const items = (gear?.items ?? []).map(({ item }) => item).filter(({ retired }) => !retired);
    const own = open ? [playingGuitar(open.rig), ...open.rig.electrical.guitars] : [];
    const guitars = [
      ...new Set([...own, ...items.flatMap((i) => (i.kind === 'guitar' ? [i.thing] : []))]),
    ];
    const named = guitars.map((guitar, i) => ({ key: `own-${i}`, name: guitar.name, guitar }));
    const destinations = items.flatMap((i) =>
      i.kind === 'destination' && i.thing.kind !== 'amp' && i.thing.kind !== 'tuner'
        ? [i.thing]
        : [],
    );
    return {
      sources: [...named, ...TYPICAL, ...OTHERS],
      destinations: [...destinations, ...USUAL_ENDS],
    };
  }, [gear, open]);
}

const FIGURES = {
  fontFamily: SOUNDING_FONT,
  fontStyle: 'italic',
  fontSize: 16,
  textAlign: 'right',
} as const;

const Row = styled('article')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) 92px 92px 118px',
  columnGap: 12,
  [theme.breakpoints.down('sm')]: {
    gridTemplateColumns: 'repeat(3, 1fr)',
    '& > :first-of-type': { gridColumn: '1 / -1' },
  },
  padding: '8px 0',
  borderTop: `1px solid ${theme.chart.grid}`,
}));

const FITS = {
  right: <CheckCircleOutlined sx={{ fontSize: 18, color: 'primary.main' }} titleAccess="right" />,
  'good enough': <InfoOutlined sx={{ fontSize: 18 }} titleAccess="good enough" />,
  wrong: <ErrorOutlined sx={{ fontSize: 18, color: 'warning.main' }} titleAccess="wrong" />,
} as const;

function Choice({ choice }: { readonly choice: DiChoice }) {
  const { name, rInOhm, fit, why, levelDb, trebleDb, highPassHz } = choice;
  return (
    <Row data-fit={fit}>
      <Box>
        <Typography
          component="h2"
          sx={{ fontSize: 16, fontWeight: 600, display: 'flex', alignItems: 'center', gap: 0.75 }}
        >
          {FITS[fit]}
          {name}
        </Typography>
        <Typography variant="body2">{why}</Typography>
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          input {formatQuantity(rInOhm, 'resistance', 'metric')}
        </Typography>
      </Box>
      <Told what="level" value={`${formatSignedDb(levelDb, 2)} dB`} />
      <Told what="treble" value={`${formatSignedDb(trebleDb, 2)} dB`} />
      <Told
        what="bottom from"
        value={
          highPassHz === null ? 'under 20 Hz' : formatQuantity(highPassHz, 'frequency', 'metric')
        }
      />
    </Row>
  );
}

const Told = ({ what, value }: { readonly what: string; readonly value: string }) => (
  <Box>
    <Typography
      variant="caption"
      sx={{ display: 'block', textAlign: 'right', color: 'text.secondary' }}
    >
      {what}
    </Typography>
    <Typography sx={FIGURES}>{value}</Typography>
  </Box>
);
