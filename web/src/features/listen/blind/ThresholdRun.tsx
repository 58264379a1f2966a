import { draftKey, dropDrafts, useDraft } from '../../../app/drafts';
import {
  fitThreshold,
  formatNumber,
  nextLoss,
  SIMULATED_SECONDS,
  STRAIGHT_IN,
  THRESHOLD_TRIALS,
  type RenderQuestion,
  type ThresholdTrial,
} from '@gullwind/core';
import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSettings } from '../../../app/useSettings';
import { useLongWork } from '../../../workers/useLongWork';
import type { ListenProps } from '../listenProps';
import {
  keptThreshold,
  thresholdAnswered,
  thresholdVoice,
  type ThresholdRunNow,
  type Which,
} from '../model/trials';
import { ENOUGH_TRIALS } from '../model/sayHearing';
import { usePlayer } from '../useListening';
import { newSeed, useKeepHearing, useListener } from './listener';
import { ListenerField } from './ListenerField';

/** What is begun of a run. */
const THRESHOLD = draftKey('listen', 'threshold');
const NONE: readonly ThresholdTrial[] = [];

/** The least loss of treble that somebody hears: which of two has less, again and again, nearer and nearer. */
export function ThresholdRun(props: ListenProps) {
  const [listener, setListener] = useListener();
  const [isOn, setOn] = useDraft(draftKey(THRESHOLD, 'isOn'), false);
  const [ended, setEnded] = useState<readonly ThresholdTrial[] | null>(null);
  if (isOn)
    return (
      <Run
        {...props}
        listener={listener}
        onEnd={(trials) => {
          dropDrafts(THRESHOLD);
          setEnded(trials);
        }}
      />
    );
  return (
    <Box component="section" aria-label="Your threshold" sx={{ maxWidth: 620 }}>
      <Typography variant="h2" sx={{ fontSize: 19 }}>
        How little do you hear?
      </Typography>
      <Typography sx={{ my: 1 }}>
        {`Two of the same, one with less treble: say which. Two right answers make it harder, a wrong one easier; after ${THRESHOLD_TRIALS} the least loss that you hear is known, with how surely. It takes about five minutes, and can be broken off.`}
      </Typography>
      <ListenerField value={listener} onChange={setListener} />
      <Button sx={{ ml: 1 }} variant="contained" onClick={() => setOn(true)}>
        Begin
      </Button>
      {ended && <Found trials={ended} listener={listener} />}
    </Box>
  );
}

interface RunProps extends ListenProps {
  readonly listener: string;
  readonly onEnd: (trials: readonly ThresholdTrial[]) => void;
}

function useRun({ voices, listening, listener, onEnd }: RunProps) {
  const [fresh] = useState(newSeed);
  const [seed, keepSeed] = useDraft(draftKey(THRESHOLD, 'seed'), fresh);
  const [trials, setTrials] = useDraft<readonly ThresholdTrial[]>(
    draftKey(THRESHOLD, 'trials'),
    NONE,
  );
  const keep = useKeepHearing();
  const lossDb = nextLoss(trials);
  const straight = voices.find(({ id }) => id === STRAIGHT_IN);
  const { play } = listening.setting;
  const question = useMemo((): RenderQuestion | null => {
    if (!straight || lossDb === null) return null;
    const { sections } = straight;
    return {
      source: { kind: 'simulated', play, seconds: SIMULATED_SECONDS },
      voices: [
        { id: 'whole', sections },
        { id: 'less', sections, lossDb },
      ],
      // As they are: a loss of treble is a little loss of loudness, too, as it is on stage.
      options: { isMatched: false, speaker: false, clipper: false },
    };
  }, [straight, lossDb, play]);
  const run = { seed, trials };
  const end = (ended: ThresholdRunNow) => {
    void keep(keptThreshold(ended, listener));
    onEnd(ended.trials);
  };
  const answer = (which: Which) => {
    const next = thresholdAnswered(run, which);
    if (nextLoss(next.trials) === null) return end(next);
    // What the answers were given to comes along with them.
    keepSeed(seed);
    setTrials(next.trials);
  };
  return { run, question, answer, abort: () => end(run) };
}

function Run(props: RunProps) {
  const { run, question, answer, abort } = useRun(props);
  const [heard, setHeard] = useState<Which>('first');
  const work = useLongWork('render', question, { begins: true });
  const rendered = work.state.kind === 'done' ? work.state.answer : null;
  const { toggle, isPlaying } = usePlayer(rendered, thresholdVoice(heard, run));
  useHotkeys('1', () => setHeard('first'), { useKey: true });
  useHotkeys('2', () => setHeard('second'), { useKey: true });
  useHotkeys('space', toggle, { preventDefault: true });
  const say = (which: Which) => {
    setHeard('first');
    answer(which);
  };
  return (
    <Box component="section" aria-label="Your threshold" sx={{ maxWidth: 620 }}>
      <HowFar count={run.trials.length} />
      <Box role="group" aria-label="Listen to" sx={{ display: 'flex', gap: 1.5, my: 1.5 }}>
        {(['first', 'second'] as const).map((which, i) => (
          <Button
            key={which}
            variant={heard === which ? 'contained' : 'outlined'}
            aria-pressed={heard === which}
            onClick={() => setHeard(which)}
            sx={{ minWidth: 130, minHeight: 60, fontSize: 18 }}
          >
            {`${i + 1}: the ${which}`}
          </Button>
        ))}
        <Button disabled={!rendered} onClick={toggle}>
          {isPlaying ? 'Pause' : 'Play'}
        </Button>
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="contained" disabled={!rendered} onClick={() => say('first')}>
          The first has less
        </Button>
        <Button variant="contained" disabled={!rendered} onClick={() => say('second')}>
          The second has less
        </Button>
        <Box sx={{ flex: 1 }} />
        <Button onClick={abort}>Break off (it is kept)</Button>
      </Box>
    </Box>
  );
}

const HowFar = ({ count }: { readonly count: number }) => (
  <>
    <Typography variant="h2" sx={{ fontSize: 22 }}>
      <span role="status">{`Which has less treble? ${count + 1} of ${THRESHOLD_TRIALS}`}</span>
    </Typography>
    <LinearProgress
      variant="determinate"
      aria-label="How far the run is"
      value={(100 * count) / THRESHOLD_TRIALS}
      sx={{ my: 1 }}
    />
  </>
);

interface FoundProps {
  readonly trials: readonly ThresholdTrial[];
  readonly listener: string;
}

function Found({ trials, listener }: FoundProps) {
  const [settings, change] = useSettings();
  if (trials.length < ENOUGH_TRIALS)
    return (
      <Typography role="status" sx={{ mt: 1 }}>
        {`Broken off after ${trials.length}: too few to say anything. It is kept as that.`}
      </Typography>
    );
  const { thresholdDb, lowDb, highDb } = fitThreshold(trials);
  const name = listener.trim() || 'this listener';
  const isOn = settings.scale?.thresholdDb === thresholdDb;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography role="status" sx={{ fontSize: 18 }}>
        {`The least loss of treble that ${name} hears: ${formatNumber(thresholdDb, 2)} dB, between ${formatNumber(lowDb, 2)} and ${formatNumber(highDb, 2)} dB (95 %).`}
      </Typography>
      <Typography variant="body2" sx={{ my: 0.5 }}>
        Words of size (“noticeable”, “plain”) go by about 1 dB as the least that is heard. They can
        go by this instead, everywhere; it is said then.
      </Typography>
      <Button
        variant="outlined"
        onClick={() =>
          change({ scale: isOn ? null : { listener: name, thresholdDb: clamp(thresholdDb) } })
        }
      >
        {isOn ? 'Back to the usual ladder' : 'Let words of size go by this'}
      </Button>
    </Box>
  );
}

const clamp = (db: number): number => Math.min(40, Math.max(0.03, db));
