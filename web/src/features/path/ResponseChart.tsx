import { sayStraightIn } from '@gullwind/core';
import { Box, Button } from '@mui/material';
import { lazy, memo, Suspense, useMemo, useState } from 'react';
import { useSettings } from '../../app/useSettings';
import { CurveKey } from './CurveKey';
import { curvePoints, levelRange, type Charted } from './model/curvePoints';
import { DrawnContext, type Drawn } from './drawn';
import { ResponseTable } from './ResponseTable';

/** Axes are much to load: Run, sentence and figures are there before them. */
const ChartFrame = lazy(async () => ({ default: (await import('./ChartFrame')).ChartFrame }));

interface Props extends Charted {
  /** What the curve is called: "now" unless named. */
  readonly nowName?: string;
}

/** Level over frequency, straight in and now: hertz below, notes above. A table of it is one press away. */
export const ResponseChart = memo(function ResponseChart(props: Props) {
  const { analysed, states, pins, tolerance, nowName = 'now' } = props;
  const [asTable, setAsTable] = useState(false);
  const points = useMemo(
    () => curvePoints({ analysed, states, pins, tolerance }),
    [analysed, states, pins, tolerance],
  );
  const [{ units }] = useSettings();
  const straightIn = analysed ? sayStraightIn(analysed.rig, units) : 'straight in';
  const [hasBand, hasTolerance] = [states !== null, tolerance !== null];
  const shows = useMemo(
    () => ({ band: hasBand, tolerance: hasTolerance, pins, now: nowName, straightIn }),
    [hasBand, hasTolerance, pins, nowName, straightIn],
  );
  const drawn = useMemo(() => ({ points, shows }), [points, shows]);
  return (
    <Box component="section" aria-label="Response" sx={SECTION}>
      <Button
        size="small"
        color="inherit"
        aria-pressed={asTable}
        onClick={() => setAsTable(!asTable)}
        sx={{ position: 'absolute', right: 8, top: 2, zIndex: 1, py: 0 }}
      >
        {asTable ? 'Curve' : 'Table'}
      </Button>
      {asTable ? <ResponseTable {...{ points, straightIn }} /> : <Curves drawn={drawn} />}
    </Box>
  );
});

const SECTION = {
  position: 'relative',
  contain: 'layout paint style',
  minWidth: 0,
  height: { xs: 340, lg: 'auto' },
  minHeight: 0,
  gridColumn: { md: 'span 2', lg: 'auto' },
  p: 1,
} as const;

function Curves({ drawn }: { drawn: Drawn }) {
  const [low, high] = levelRange(drawn.points);
  // Not before there is something to draw: what is said of it is there first.
  const [isAsked, setAsked] = useState(false);
  if (drawn.points.length > 0 && !isAsked) setAsked(true);
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <DrawnContext value={drawn}>
          <Suspense>{isAsked && <ChartFrame low={low} high={high} />}</Suspense>
        </DrawnContext>
      </Box>
      <CurveKey shows={drawn.shows} />
    </Box>
  );
}
