import { draftKey, useDraft } from '../../app/drafts';
import { remedyFor, type HuntEnding, type SharedSuspect } from '@gullwind/core';
import { Box, Button, Checkbox, FormControlLabel, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { remedyAnswer, sayMinutes } from './model/answering';
import type { HuntHands, HuntNow } from './useHunt';

interface Props {
  readonly now: HuntNow;
  readonly rigId: string | null;
  readonly hands: HuntHands;
}

/** Whom it comes down to: the remedy, its cautions, and whether it helped. */
export function HuntFinding({ now, rigId, hands }: Props) {
  const { finding, cured } = now.state;
  const suspect = cured ?? finding;
  if (!suspect)
    return (
      <Typography sx={{ fontSize: 23 }}>
        Nobody is left to be suspected. Take an answer back, or begin another hunt.
      </Typography>
    );
  return cured ? (
    <Ending suspect={cured} rigId={rigId} huntId={now.hunt.id} hands={hands} />
  ) : (
    <Remedy suspect={suspect} now={now} hands={hands} />
  );
}

const HEAD = { fontSize: { xs: 28, sm: 34 }, fontWeight: 600, lineHeight: 1.15 } as const;

interface SuspectProps {
  readonly suspect: SharedSuspect;
  readonly hands: HuntHands;
}

function Remedy({ suspect, now, hands }: SuspectProps & Pick<Props, 'now'>) {
  const remedy = remedyFor(suspect);
  const others = now.state.suspects.filter(
    ({ id, share, isRuledOut }) => id !== suspect.id && !isRuledOut && share > 0.15,
  );
  const tried = (outcome: 'yes' | 'no') => hands.answer(remedyAnswer(suspect.id, remedy, outcome));
  return (
    <Box aria-live="polite">
      <Typography component="h3" data-finding={suspect.id} sx={HEAD}>
        {suspect.says}
      </Typography>
      <Typography sx={{ fontSize: 17, color: 'text.secondary' }}>
        {`${Math.round(100 * suspect.share)} % of the suspicion.`}
        {others.length > 0 && ` The same signs: ${others.map(({ says }) => says).join(' ')}`}
      </Typography>
      <RemedyWords remedy={remedy} />
      <Typography component="h3" sx={{ fontSize: { xs: 28, sm: 34 }, fontWeight: 600, mt: 1.5 }}>
        Is it gone?
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, mt: 1.5, flexWrap: 'wrap' }}>
        <Button variant="contained" sx={LARGE} onClick={() => tried('yes')}>
          It is gone
        </Button>
        <Button variant="contained" sx={LARGE} onClick={() => tried('no')}>
          Still there
        </Button>
      </Box>
      <EndEarly suspect={suspect} hands={hands} />
    </Box>
  );
}

const LARGE = { minHeight: 76, minWidth: 150, fontSize: 23 } as const;

const RemedyWords = ({ remedy }: { readonly remedy: ReturnType<typeof remedyFor> }) => (
  <>
    <Typography sx={{ fontSize: { xs: 20, sm: 23 }, mt: 1 }}>{remedy.does}</Typography>
    <Typography sx={{ fontSize: 17, color: 'text.secondary' }}>
      {`${sayMinutes(remedy.minutes)}. What shows it: ${remedy.proof}`}
    </Typography>
    {remedy.caution !== '' && (
      <Typography sx={{ fontSize: 17, fontWeight: 600, mt: 0.5 }}>{remedy.caution}</Typography>
    )}
  </>
);

const NO_REMEDY = { does: '', caution: '', proof: '' };

const endingOf = (
  suspect: SharedSuspect | null,
  kind: HuntEnding['kind'],
  more: Partial<HuntEnding> = {},
): HuntEnding => {
  const { does: remedy, caution, proof } = suspect ? remedyFor(suspect) : NO_REMEDY;
  return {
    kind,
    suspect: suspect?.id ?? null,
    finding: suspect?.says ?? '',
    remedy,
    caution,
    proof,
    task: null,
    taskMinutes: 0,
    note: '',
    ...more,
  };
};

/** Before it is found: what is as good as it gets, and what waits for another day. */
export function EndEarly({ suspect, hands }: { suspect: SharedSuspect | null; hands: HuntHands }) {
  const end = (kind: HuntEnding['kind']) => hands.end(endingOf(suspect, kind));
  return (
    <Box sx={{ display: 'flex', gap: 0.5, mt: 1, flexWrap: 'wrap' }}>
      {suspect?.fault === 'coilHum' && (
        <Button sx={{ minHeight: 44 }} onClick={() => end('inherent')}>
          It belongs to the coil: end here
        </Button>
      )}
      <Button sx={{ minHeight: 44 }} onClick={() => end('goodEnough')}>
        Good enough: end here
      </Button>
      <Button sx={{ minHeight: 44 }} onClick={() => end('givenUp')}>
        Leave it open
      </Button>
    </Box>
  );
}

/** Minutes at the bench where nobody has said. */
const TASK_MINUTES = 20;
const LONGEST_NOTE = 500;

function Ending({
  suspect,
  rigId,
  huntId,
  hands,
}: SuspectProps & Pick<Props, 'rigId'> & { readonly huntId: string }) {
  const { task } = remedyFor(suspect);
  const [asks, setAsks] = useState(true);
  const [note, setNote] = useDraft(draftKey('hunt', huntId, 'note'), '');
  const canAsk = task !== null && rigId !== null;
  const kind = suspect.fault === 'coilHum' ? 'inherent' : 'found';
  const end = () =>
    hands.end(
      endingOf(suspect, kind, {
        task: canAsk && asks ? task : null,
        taskMinutes: canAsk && asks ? TASK_MINUTES : 0,
        note,
      }),
    );
  return (
    <Box aria-live="polite">
      <Typography component="h3" sx={HEAD}>{`Found. ${suspect.says}`}</Typography>
      {canAsk && (
        <FormControlLabel
          sx={{ mt: 1, '& .MuiFormControlLabel-label': { fontSize: 17 } }}
          label={`Ask Build for it: ${task}`}
          control={<Checkbox checked={asks} onChange={(_, to) => setAsks(to)} />}
        />
      )}
      <TextField
        label="For the book (as you like)"
        value={note}
        onChange={(event) => setNote(event.target.value)}
        multiline
        fullWidth
        slotProps={{ htmlInput: { maxLength: LONGEST_NOTE } }}
        sx={{ my: 1.5, maxWidth: 620 }}
      />
      <Button variant="contained" sx={LARGE} onClick={end}>
        End the hunt
      </Button>
    </Box>
  );
}
