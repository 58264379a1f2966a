import {
  formatSignedDb,
  formatStripLength,
  laidOf,
  mainRow,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Typography } from '@mui/material';
import { useRef } from 'react';
import type { AnalysedWays } from '../../workers/useAnalysis';
import { Terms } from '../../ui/Terms';

interface Props {
  /** As it is while the hand drags. */
  readonly before: Rig;
  readonly rig: Rig;
  readonly analysed: AnalysedWays | null;
  readonly units: UnitSystem;
}

const trebleOf = (analysed: AnalysedWays | null): number | null => {
  const analysis = analysed && analysed.analyses[mainRow(analysed.rig).id];
  return analysis?.kind === 'sounding' ? analysis.figures.trebleDb : null;
};

/** How long the cables as laid are together, and what is left of the treble; beside that, while a hand drags, what it was. */
export function LaidSentence({ before, rig, analysed, units }: Props) {
  const [now, then] = [laidOf(rig), laidOf(before)];
  const treble = trebleOf(analysed);
  const rested = useRef(treble);
  if (rig === before && analysed?.rig === rig) rested.current = treble;
  const length = (m: number) => formatStripLength(m, units);
  const changed = Math.abs(now - then) > 1e-6;
  const cables = changed
    ? `Cable as laid ${length(now)} instead of ${length(then)}.`
    : now === 0
      ? 'No cable lies between two things on the board yet.'
      : `Cable as laid ${length(now)}.`;
  const was = rested.current;
  const change = treble !== null && was !== null && changed ? treble - was : null;
  const sound =
    treble === null
      ? 'Nothing is heard at the amp.'
      : `Treble ${formatSignedDb(treble)} dB against straight in${change === null ? '' : `, ${formatSignedDb(change, 2)} dB by this move`}.`;
  return (
    <Typography
      role="status"
      data-testid="laid"
      sx={{ px: 2.5, py: 0.75, fontSize: 15.5, borderTop: 1, borderColor: 'divider' }}
    >
      <Terms
        text={analysed ? `${cables} ${sound}` : cables}
        reference={rig.electrical.reference}
        units={units}
      />
    </Typography>
  );
}
