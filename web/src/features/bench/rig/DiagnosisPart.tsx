import type { SentMeasurement } from '@gullwind/contract';
import {
  exerciseOf,
  formatNumber,
  type Diagnosis,
  type Rig,
  type Suspicion,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { draftsSent } from '../../../app/drafts';
import { WorkLine } from '../../../ui/WorkLine';
import type { Chosen } from '../instruments';
import { useKeep } from '../keep';
import { ResidualChart } from '../ResidualChart';
import type { RigBench } from './useRigBench';
import { LEAST_EXPLAINED, sayDiagnosis, trimmed } from '../model/sayDiagnosis';

interface Props {
  readonly bench: RigBench;
  readonly rig: Rig;
  readonly rigId: string;
  readonly units: UnitSystem;
  readonly chosen: Chosen;
}

/** What is left between measured and model, and which one part explains most of it. */
export function DiagnosisPart(props: Props) {
  const { bench } = props;
  const { work, taken } = bench;
  if (!taken) return null;
  return (
    <Box component="section" aria-label="What explains it" sx={{ mt: 1.5 }}>
      <WorkLine
        work={work}
        says={(progress) =>
          progress ? `Part ${progress.done + 1} of ${progress.of} …` : 'Looking at every part …'
        }
        share={({ done, of }) => done / of}
      />
      {work.state.kind === 'done' && <Diagnosed {...props} diagnosis={work.state.answer} />}
    </Box>
  );
}

function Diagnosed(props: Props & { readonly diagnosis: Diagnosis }) {
  const { diagnosis, bench } = props;
  const { response } = bench.taken!;
  const words = sayDiagnosis(diagnosis);
  if (diagnosis.kind !== 'diagnosed') return <Typography role="status">{words}</Typography>;
  const { residualDb } = diagnosis;
  return (
    <>
      <ResidualChart
        words={`Measured and model over frequency. ${words}`}
        curves={[
          {
            label: 'measured',
            ...response,
            fittedDb: response.levelDb.map((db, i) => db - residualDb[i]!),
          },
        ]}
        residuals={[{ frequencyHz: response.frequencyHz, levelDb: residualDb }]}
      />
      <Typography role="status" sx={{ fontSize: 17, maxWidth: 680, my: 1 }}>
        {words}
      </Typography>
      {!diagnosis.isWithinNoise && (
        <SuspicionLines
          suspicions={diagnosis.suspicions.filter((one) => one.explained >= LEAST_EXPLAINED)}
          rigId={props.rigId}
        />
      )}
      <Ending {...props} words={words} />
    </>
  );
}

interface LinesProps {
  readonly suspicions: readonly Suspicion[];
  readonly rigId: string;
}

const SHOWN = 8;

function SuspicionLines({ suspicions, rigId }: LinesProps) {
  return (
    <Box component="ol" aria-label="Suspects" sx={{ m: 0, p: 0, listStyle: 'none', maxWidth: 680 }}>
      {suspicions.slice(0, SHOWN).map(({ kind, id, name, words, rmsDb, isTied, explained }) => (
        <Box
          component="li"
          key={`${kind} ${id}`}
          sx={{ borderTop: 1, borderColor: 'divider', py: 0.5, display: 'flex', gap: 1 }}
        >
          <Box sx={{ width: 66, color: isTied ? 'text.primary' : 'text.secondary', fontSize: 14 }}>
            {`${formatNumber(100 * explained, 0)} %`}
          </Box>
          <Typography variant="body2" sx={{ flex: 1, fontWeight: isTied ? 600 : 400 }}>
            {`${name} ${trimmed(words)}; ${formatNumber(rmsDb, 2)} dB would be left${isTied ? '' : ', which is more than the noise'}.`}
          </Typography>
          <Button
            size="small"
            component={RouterLink}
            to={`/rigs/${rigId}/path?at=${id}`}
            aria-label={`Show ${name} on Path`}
          >
            Show
          </Button>
        </Box>
      ))}
    </Box>
  );
}

function Ending(props: Props & { readonly words: string }) {
  const { bench, chosen } = props;
  const { keep } = useKeep();
  const [hidden, setHidden] = useState<string | null>(null);
  const [isKept, setKept] = useState(false);
  const { exercise, chain } = bench.taken!;
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1, flexWrap: 'wrap' }}>
      <Button
        variant="outlined"
        disabled={isKept}
        onClick={() => {
          void keep(sentOf(props)).then(setKept);
          draftsSent(bench.draft);
        }}
      >
        {isKept ? 'Kept' : 'Keep this response'}
      </Button>
      {chosen.isSimulated && exercise > 0 && hidden === null && (
        <Button onClick={() => setHidden(exerciseOf(chain, exercise).words)}>
          Show what was hidden
        </Button>
      )}
      {hidden !== null && (
        <Typography role="status" variant="body2">{`Hidden was: ${hidden}.`}</Typography>
      )}
    </Box>
  );
}

function sentOf({
  bench,
  rig,
  rigId,
  chosen,
  words,
}: Props & { readonly words: string }): SentMeasurement {
  const { response, sweep, exercise } = bench.taken!;
  const { frequencyHz, levelDb } = response;
  const level = sweep.isCalibrated ? 'known' : 'shape only';
  const conditions = { from: sweep.from, sourceOhm: sweep.sourceOhm, level, exercise };
  return {
    job: 'rig',
    rig: rigId,
    gear: null,
    subject: rig.texts.name,
    instrument: chosen.name,
    isSimulated: chosen.isSimulated,
    readings: [],
    responses: [{ label: 'at the amp’s end', frequencyHz, levelDb, conditions }],
    figures: [],
    words,
    by: '',
    note: '',
  };
}
