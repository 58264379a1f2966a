import {
  formatNumber,
  formatSignedDb,
  namePartLoss,
  type Corner,
  type FigureBands,
  type Resonance,
  type Rig,
  type SoundingAnalysis,
  type UnitSystem,
} from '@gullwind/core';
import { Box, styled, Typography } from '@mui/material';
import { memo } from 'react';
import { SOUNDING_FONT } from '../../app/theme';
import { Disclosure } from '../../ui/Disclosure';
import { Assumptions } from '../assumptions';
import type { Analysed } from '../../workers/useAnalysis';
import { toleranceIn, type ToleranceWork } from '../../workers/useTolerance';
import { Band, Figure } from '../../ui/Figure';
import { ToleranceLine } from './ToleranceLine';
import { selectStop, type Selection } from './model/selection';

const MOST_PARTS = 6;
const LEAST_LOSS_DB = 0.05;

/** All figures against straight in, and what each part of the way costs. */
export const FiguresPanel = memo(function FiguresPanel({ analysed, work, units, onSelect }: Props) {
  const sounding = analysed?.analysis.kind === 'sounding' ? analysed.analysis : null;
  if (!sounding || !analysed) {
    return <Typography variant="body2">No figures: nothing comes through.</Typography>;
  }
  return (
    <>
      <Figures analysis={sounding} bands={bandsOf(work)} />
      <ToleranceLine work={work} />
      <Disclosure title="Assumed values that matter most">
        <Assumptions
          rig={analysed.rig}
          rowId={analysed.analysis.rowId}
          units={units}
          onSelect={(kind, id) => onSelect({ kind, id })}
        />
      </Disclosure>
      <LossByPart rig={analysed.rig} analysis={sounding} onSelect={onSelect} />
    </>
  );
});

interface Props {
  readonly analysed: Analysed | null;
  readonly work: ToleranceWork;
  readonly units: UnitSystem;
  readonly onSelect: (stop: Selection) => void;
}

const bandsOf = (work: ToleranceWork): FigureBands | null => toleranceIn(work)?.figures ?? null;

interface FiguresProps {
  readonly analysis: SoundingAnalysis;
  readonly bands: FigureBands | null;
}

function Figures({ analysis, bands }: FiguresProps) {
  const { figures } = analysis;
  return (
    <Box
      component="dl"
      sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 1 }}
    >
      <Figure
        name="Treble, 2–8 kHz"
        value={`${formatSignedDb(figures.trebleDb, 2)} dB`}
        large
        testId="treble"
      />
      {bands && <Band bounds={bands.trebleDb} />}
      <Figure name="2–4 kHz" value={`${formatSignedDb(figures.trebleLowDb, 2)} dB`} />
      <Figure name="4–8 kHz" value={`${formatSignedDb(figures.trebleHighDb, 2)} dB`} />
      <Figure
        name="Level, 400 Hz"
        value={`${formatSignedDb(figures.levelDb, 2)} dB`}
        testId="level"
      />
      {bands && <Band bounds={bands.levelDb} />}
      <Figure
        name="Air, 8–16 kHz"
        value={`${formatSignedDb(figures.airDb)} dB`}
        title="A guitar loudspeaker passes little above 5–6 kHz; this matters for full-range ends."
      />
      <Figure name="Bottom, 40–160 Hz" value={`${formatSignedDb(figures.bottomDb)} dB`} />
      <Figure
        name="Distance"
        value={`${figures.distanceDb.toFixed(2)} dB`}
        title="How far the sound is from straight in, whatever the direction: RMS over 200 Hz–8 kHz."
      />
      <ShapeFigures analysis={analysis} />
    </Box>
  );
}

/** Where the treble ends, rather than how much of it there is. */
function ShapeFigures({ analysis }: { readonly analysis: SoundingAnalysis }) {
  const { resonance, referenceResonance, corner, tone } = analysis;
  return (
    <>
      <Figure name="Resonance" value={sayResonance(resonance, referenceResonance)} />
      <Figure name="Corner, −3 dB" value={sayCorner(corner)} />
      <Figure
        name="Like a tone at"
        value={tone.kind === 'setting' ? formatNumber(tone.travel * 10, 1) : 'out of reach'}
        title="The tone setting, 0 to 10, that gives the reference rig the same treble."
      />
    </>
  );
}

const PartLossRow = styled('button')(({ theme }) => ({
  display: 'flex',
  width: '100%',
  justifyContent: 'space-between',
  gap: 8,
  padding: '1px 0',
  minHeight: 24,
  alignItems: 'center',
  border: 0,
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  fontSize: 14,
  lineHeight: 1.3,
  textAlign: 'left',
  cursor: 'pointer',
  '&:hover': { background: theme.chart.grid },
  '&:focus-visible': { outline: `2px solid ${theme.chart.sea}` },
  '& i': { fontFamily: SOUNDING_FONT, fontSize: 15 },
}));

function sayResonance(now: Resonance, reference: Resonance): string {
  if (now.kind === 'noResonance') return 'none';
  const at = `${(now.frequencyHz / 1000).toFixed(2)} kHz ${formatSignedDb(now.heightDb)}`;
  return reference.kind === 'resonance' ? at : `${at} (straight in: none)`;
}

const sayCorner = (corner: Corner): string =>
  corner.kind === 'beyondGrid' ? '> 20 kHz' : `${(corner.frequencyHz / 1000).toFixed(2)} kHz`;

const LossByPart = memo(function LossByPart({
  rig,
  analysis: { stops, lossByPart },
  onSelect,
}: {
  rig: Rig;
  analysis: SoundingAnalysis;
  onSelect: (stop: Selection) => void;
}) {
  const shown = lossByPart
    .filter(({ gain }) => Math.abs(gain.trebleDb) >= LEAST_LOSS_DB)
    .slice(0, MOST_PARTS);
  if (shown.length === 0) return null;
  return (
    <Box sx={{ mt: 1.25 }}>
      <Typography
        variant="h2"
        title="The change if this part alone were ideal. The parts interact: these do not add up."
      >
        Loss by part: treble, were it ideal
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((partLoss) => (
          <li key={`${partLoss.kind}${partLoss.stop}`}>
            <PartLossRow
              type="button"
              onClick={() => onSelect(selectStop(stops[partLoss.stop]!, rig)!)}
            >
              <span>{namePartLoss(rig, stops, partLoss)}</span>
              <i>{formatSignedDb(partLoss.gain.trebleDb)}</i>
            </PartLossRow>
          </li>
        ))}
      </Box>
    </Box>
  );
});
