import { draftKey, draftsSent, dropDrafts, useDraft } from '../../../app/drafts';
import { LEAST_TRIALS, MOST_TRIALS, USUAL_TRIALS } from '@gullwind/core';
import { Alert, Box, Button, LinearProgress, TextField, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { PlainNumberField } from '../../../ui/PlainNumberField';
import type { ListenProps } from '../listenProps';
import {
  abxAnswered,
  keptAbx,
  voiceUnder,
  type AbxPlan,
  type Heard,
  type TrialsRun,
} from '../model/trials';
import { PlayBar } from '../PlayBar';
import { sayAllRuns, sayResult } from '../model/sayHearing';
import { sayBetween } from '../sayVoice';
import { newSeed, useHearings, useKeepHearing, useListener } from './listener';
import { ListenerField } from './ListenerField';
import { VoicePair } from './VoicePair';

/** Told when all is over. */
interface Ended {
  readonly plan: AbxPlan;
  readonly run: TrialsRun;
}

type Stage =
  | { readonly kind: 'planning' }
  | { readonly kind: 'running'; readonly plan: AbxPlan }
  | { readonly kind: 'ended'; readonly ended: Ended };

const PLANNING: Stage = { kind: 'planning' };
/** What is begun of a test. */
const draftOf = (rigId: string) => draftKey('listen', 'abx', rigId);

/** A, B, and an unknown that is one of them: as many trials as were meant, and nothing is told before the last one. */
export function AbxTest(props: ListenProps & { readonly onBlind: (isBlind: boolean) => void }) {
  const { listening, onBlind } = props;
  const draft = draftOf(props.rigId);
  const [stage, setStage] = useDraft<Stage>(draftKey(draft, 'stage'), PLANNING);
  const isRunning = stage.kind === 'running';
  const { heard, player } = listening;
  useEffect(() => {
    if (stage.kind !== 'running') return undefined;
    onBlind(true);
    // Level gives it away: both are as loud as each other.
    if (!listening.setting.isMatched) listening.change({ isMatched: true });
    listening.want(stage.plan.one.id, stage.plan.other.id);
    return () => {
      onBlind(false);
      // What the page says is heard is heard again.
      player.hear(heard);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when a test begins and ends
  }, [isRunning]);
  if (stage.kind === 'planning')
    return <Planning {...props} onStart={(plan) => setStage({ kind: 'running', plan })} />;
  if (stage.kind === 'running')
    return (
      <Running
        {...props}
        plan={stage.plan}
        onEnd={(ended) => {
          listening.player.stop();
          dropDrafts(draft);
          setStage({ kind: 'ended', ended });
          draftsSent(draft);
        }}
      />
    );
  return <Result {...props} ended={stage.ended} onAgain={() => setStage(PLANNING)} />;
}

function Planning(props: ListenProps & { readonly onStart: (plan: AbxPlan) => void }) {
  const { voices, listening, onStart } = props;
  const [listener, setListener] = useListener();
  const [trials, setTrials] = useState(USUAL_TRIALS);
  const [expected, setExpected] = useState('');
  const one = voices.find(({ id }) => id === listening.against);
  const other = voices.find(({ id }) => id === listening.heard);
  const isSame = one?.id === other?.id;
  const isFew = trials < LEAST_TRIALS;
  return (
    <Box component="section" aria-label="A blind test" sx={{ maxWidth: 620 }}>
      <AbxIntroduction />
      <VoicePair voices={voices} listening={listening} />
      <TrialsField trials={trials} isFew={isFew} onChange={setTrials} />
      <Box sx={{ display: 'flex', gap: 2, my: 1, flexWrap: 'wrap' }}>
        <ListenerField value={listener} onChange={setListener} />
        <TextField
          size="small"
          label="What do you expect? (as you like)"
          value={expected}
          slotProps={{ htmlInput: { maxLength: 200 } }}
          onChange={(event) => setExpected(event.target.value)}
          sx={{ flex: 1, minWidth: 240 }}
        />
      </Box>
      <Button
        variant="contained"
        disabled={!one || !other || isSame || isFew}
        onClick={() => onStart({ one: one!, other: other!, trials, expected, listener })}
      >
        Begin
      </Button>
      {isSame && (
        <Typography variant="body2">Choose two different voices: A is B as it stands.</Typography>
      )}
    </Box>
  );
}

const AbxIntroduction = () => (
  <>
    <Typography variant="h2" sx={{ fontSize: 19 }}>
      Which is X?
    </Typography>
    <Typography sx={{ my: 1 }}>
      X is A or B, drawn anew for each trial. Nothing tells you how you are doing before the last
      one, and what comes out is kept whatever it is. Ten trials at the same loudness is usual.
    </Typography>
  </>
);

interface TrialsProps {
  readonly trials: number;
  readonly isFew: boolean;
  readonly onChange: (trials: number) => void;
}

const TrialsField = ({ trials, isFew, onChange }: TrialsProps) => (
  <>
    <Box sx={{ width: 230, my: 1 }}>
      <PlainNumberField
        label="Trials"
        value={trials}
        max={MOST_TRIALS}
        isWhole
        onChange={onChange}
      />
    </Box>
    {isFew && (
      <Alert severity="info">{`At least ${LEAST_TRIALS}: fewer right answers than that come by guessing too often.`}</Alert>
    )}
  </>
);

const NO_ANSWERS: TrialsRun['answers'] = [];

/** The trials. What X is lives in this closure alone: not on the page, nor in a request, nor in how long anything takes. */
function useTrials({ plan, listening, rigId, onEnd }: RunningProps) {
  const [fresh] = useState(newSeed);
  const [run, keepRun] = useDraft<TrialsRun>(draftKey(draftOf(rigId), 'run'), {
    seed: fresh,
    answers: NO_ANSWERS,
  });
  const [heard, setHeard] = useState<Heard>('A');
  const keep = useKeepHearing();
  const { hear } = listening.player;
  const first = plan.one.id;
  const listen = (to: Heard) => {
    setHeard(to);
    // Not through what the page shows as heard: that would tell.
    hear(voiceUnder(to, plan, run));
  };
  // It begins with A, whatever was heard before.
  useEffect(() => hear(first), [hear, first]);
  const end = (ended: TrialsRun) => {
    void keep(keptAbx(ended, plan, rigId));
    onEnd({ plan, run: ended });
  };
  const answer = (which: 'A' | 'B') => {
    const next = abxAnswered(run, plan, which);
    if (next.answers.length >= plan.trials) return end(next);
    keepRun(next);
    setHeard('A');
    hear(first);
  };
  return { trial: run.answers.length, heard, listen, answer, abort: () => end(run) };
}

interface RunningProps extends ListenProps {
  readonly plan: AbxPlan;
  readonly onEnd: (ended: Ended) => void;
}

function Running(props: RunningProps) {
  const { plan, listening } = props;
  const { trial, heard, listen, answer, abort } = useTrials(props);
  const isReady =
    listening.work.state.kind === 'done' &&
    [plan.one.id, plan.other.id].every((id) =>
      listening.rendered?.voices.some((voice) => voice.id === id),
    );
  useHotkeys('a', () => listen('A'));
  useHotkeys('b', () => listen('B'));
  useHotkeys('x', () => listen('X'));
  useHotkeys('space', listening.player.toggle, { preventDefault: true });
  return (
    <Box component="section" aria-label="A blind test" sx={{ maxWidth: 620 }}>
      <Typography variant="h2" sx={{ fontSize: 22 }}>
        <span role="status">{`Trial ${trial + 1} of ${plan.trials}`}</span>
      </Typography>
      <LinearProgress
        variant="determinate"
        aria-label="How far the test is"
        value={(100 * trial) / plan.trials}
        sx={{ my: 1 }}
      />
      <Typography variant="body2">{`A: ${plan.one.name}. B: ${plan.other.name}. Keys A, B, X listen; space is the music.`}</Typography>
      <Fog heard={heard} onListen={listen} isReady={isReady} />
      <Box sx={{ display: 'flex', gap: 1, my: 1.5 }}>
        <Button variant="contained" disabled={!isReady} onClick={() => answer('A')}>
          X is A
        </Button>
        <Button variant="contained" disabled={!isReady} onClick={() => answer('B')}>
          X is B
        </Button>
        <Box sx={{ flex: 1 }} />
        <Button onClick={abort}>Break off (it is kept)</Button>
      </Box>
      <PlayBar listening={listening} />
    </Box>
  );
}

interface FogProps {
  readonly heard: Heard;
  readonly isReady: boolean;
  readonly onListen: (to: Heard) => void;
}

const PLACE = { minWidth: 110, minHeight: 64, fontSize: 20 } as const;
/** The unknown lies in fog until it is told. */
const FOG = {
  background: 'repeating-linear-gradient(0deg, transparent 0 5px, rgba(127,127,127,0.18) 5px 7px)',
} as const;

const Fog = ({ heard, isReady, onListen }: FogProps) => (
  <Box role="group" aria-label="Listen to" sx={{ display: 'flex', gap: 1.5, mt: 1.5 }}>
    {(['A', 'B', 'X'] as const).map((which) => (
      <Button
        key={which}
        variant={heard === which ? 'contained' : 'outlined'}
        aria-pressed={heard === which}
        disabled={!isReady}
        onClick={() => onListen(which)}
        sx={which === 'X' ? { ...PLACE, ...FOG } : PLACE}
      >
        {which}
      </Button>
    ))}
  </Box>
);

interface ResultProps extends ListenProps {
  readonly ended: Ended;
  readonly onAgain: () => void;
}

function Result({ ended, scale, rigId, onAgain }: ResultProps) {
  const { plan, run } = ended;
  const all = sayAllRuns(useHearings(), {
    listener: plan.listener,
    rig: rigId,
    one: plan.one.name,
    other: plan.other.name,
  });
  return (
    <Box component="section" aria-label="A blind test" sx={{ maxWidth: 620 }}>
      <Typography role="status" sx={{ fontSize: 18, my: 1 }}>
        {sayResult(run.answers, plan.trials)}
      </Typography>
      {all !== '' && <Typography sx={{ mb: 1 }}>{all}</Typography>}
      <Typography variant="body2">{`What the model says: ${sayBetween(plan.one, plan.other, scale)}`}</Typography>
      {plan.expected !== '' && (
        <Typography variant="body2">{`You expected: ${plan.expected}`}</Typography>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {`Drawn from seed ${run.seed}. It is kept among what was heard, with all runs before it.`}
      </Typography>
      <Button sx={{ mt: 1 }} variant="outlined" onClick={onAgain}>
        Another test
      </Button>
    </Box>
  );
}
