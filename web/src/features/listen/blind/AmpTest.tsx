import { draftKey, draftsSent, useDraft } from '../../../app/drafts';
import { AS_IT_IS, SIZE_WORDS, type Verdict } from '@gullwind/core';
import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import type { ListenProps } from '../listenProps';
import { sayVoice } from '../sayVoice';
import { useKeepHearing, useListener } from './listener';
import { ListenerField } from './ListenerField';

const STEPS = [
  'Volume of the amp down, or standby: nothing is plugged or unplugged while it is loud.',
  'All pedals off. The guitar through the whole board into the amp, as on stage. Its volume and tone full up.',
  'Volume up. One minute of open chords, then single notes high up the neck. Always the same ones.',
  'Volume down again. Out of the board: the guitar by one short cable straight into the amp.',
  'Volume up to the same mark. The same chords, the same notes, one minute.',
  'Write down what you heard before you read on.',
] as const;

const DIRECTIONS = {
  duller: 'through the board it is duller',
  brighter: 'through the board it is brighter',
  same: 'no difference',
  other: 'something else',
} as const;
type DirectionKey = keyof typeof DIRECTIONS;
type Size = Verdict['size'];

/** The straight-in test at the real amp: a minute each, the verdict written down before the model’s is shown. */
export function AmpTest(props: ListenProps) {
  const [step, setStep] = useState(0);
  return (
    <Box component="section" aria-label="At the real amp" sx={{ maxWidth: 640 }}>
      <Typography variant="h2" sx={{ fontSize: 19 }}>
        Straight in, at the real amp
      </Typography>
      <Alert severity="warning" sx={{ my: 1 }}>
        Standby or volume down before anything is plugged. Never run a tube amplifier without its
        loudspeaker, and leave its inside to a qualified technician.
      </Alert>
      <Steps at={step} />
      {step < STEPS.length - 1 ? (
        <Button variant="contained" onClick={() => setStep(step + 1)}>
          Done
        </Button>
      ) : (
        <VerdictForm {...props} />
      )}
    </Box>
  );
}

function VerdictForm({ voices, scale, rigId }: ListenProps) {
  const [told, setTold] = useState<string | null>(null);
  const [listener, setListener] = useListener();
  const [direction, setDirection] = useState<DirectionKey>('duller');
  const [size, setSize] = useState<Size>('noticeable');
  const [words, setWords] = useDraft(draftKey('listen', 'amp', rigId), '');
  const keep = useKeepHearing();
  const now = voices.find(({ id }) => id === AS_IT_IS);
  const expected = `${DIRECTIONS[direction]}${direction === 'same' ? '' : `, ${SIZE_WORDS[size]}`}${words.trim() === '' ? '' : `; ${words.trim()}`}`;
  const tell = async () => {
    const model = now ? sayVoice(now, scale) : 'silent as its switches stand';
    const rest = { seed: null, planned: 1, trials: [], isFinished: true, note: '' };
    const pair = { one: 'straight in', other: 'as it is' };
    const said = { listener, kind: 'amp' as const, rig: rigId, expected, model };
    if (!(await keep({ ...said, ...pair, ...rest }))) return;
    draftsSent(draftKey('listen', 'amp', rigId));
    setTold(model);
  };
  return (
    <Box sx={{ maxWidth: 520 }}>
      <ListenerField value={listener} onChange={setListener} />
      <ChoiceField
        label="What you heard"
        value={direction}
        options={Object.entries(DIRECTIONS) as [DirectionKey, string][]}
        onChange={setDirection}
      />
      <ChoiceField
        label="How much"
        value={size}
        options={Object.entries(SIZE_WORDS) as [Size, string][]}
        onChange={setSize}
      />
      <WordsField value={words} onChange={setWords} />
      <Button variant="contained" disabled={told !== null} onClick={() => void tell()}>
        Keep it, and show what the model says
      </Button>
      {told !== null && (
        <Typography role="status" sx={{ mt: 1, fontSize: 17 }}>
          {`You: ${expected}. The model: ${told}.`}
        </Typography>
      )}
    </Box>
  );
}

interface WordsProps {
  readonly value: string;
  readonly onChange: (to: string) => void;
}

const WordsField = ({ value, onChange }: WordsProps) => (
  <TextField
    size="small"
    fullWidth
    label="In your own words (as you like)"
    value={value}
    slotProps={{ htmlInput: { maxLength: 500 } }}
    onChange={(event) => onChange(event.target.value)}
    sx={{ my: 1 }}
  />
);

const Steps = ({ at }: { readonly at: number }) => (
  <Box component="ol" sx={{ pl: 3, my: 1 }}>
    {STEPS.map((words, i) => (
      <Typography
        key={words}
        component="li"
        aria-current={i === at ? 'step' : undefined}
        sx={{
          fontSize: i === at ? 18 : 14.5,
          fontWeight: i === at ? 600 : 400,
          color: i > at ? 'text.secondary' : 'text.primary',
          py: 0.25,
        }}
      >
        {words}
      </Typography>
    ))}
  </Box>
);
