import { draftKey, draftsSent, useDraft } from '../../../app/drafts';
import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { ListenProps } from '../listenProps';
import { PlayBar } from '../PlayBar';
import { useVoiceKeys } from '../useVoiceKeys';
import { Waters } from '../Waters';
import { sayBetween } from '../sayVoice';
import { useKeepHearing, useListener } from './listener';
import { ListenerField } from './ListenerField';
import { VoicePair } from './VoicePair';

/** Write down what you expect, then hear, then see: figures and curves are covered until then. */
export function SayFirst(props: ListenProps) {
  const { voices, listening } = props;
  const said = useSaidFirst(props);
  useVoiceKeys(voices, listening);
  return (
    <Box component="section" aria-label="Say first" sx={{ maxWidth: 760 }}>
      <Typography variant="h2" sx={{ fontSize: 19 }}>
        Say first, then hear, then see
      </Typography>
      <Box sx={{ my: 1 }}>
        <VoicePair voices={voices} listening={listening} />
      </Box>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
        <ListenerField value={said.listener} onChange={said.setListener} />
        <TextField
          size="small"
          multiline
          label="What do you expect between them?"
          value={said.expected}
          disabled={said.isTold}
          slotProps={{ htmlInput: { maxLength: 2000 } }}
          onChange={(event) => said.setExpected(event.target.value)}
          sx={{ flex: 1, minWidth: 280 }}
        />
      </Box>
      <PlayBar listening={listening} />
      {said.isTold ? (
        <Told {...props} expected={said.expected} onAgain={said.again} />
      ) : (
        <Button
          variant="contained"
          disabled={said.expected.trim() === ''}
          onClick={() => void said.tell()}
        >
          I have heard it: show
        </Button>
      )}
    </Box>
  );
}

function useSaidFirst({ voices, listening, scale, rigId }: ListenProps) {
  const [listener, setListener] = useListener();
  const [expected, setExpected] = useDraft(draftKey('listen', 'said', rigId), '');
  const [isTold, setTold] = useState(false);
  const keep = useKeepHearing();
  const one = voices.find(({ id }) => id === listening.against);
  const other = voices.find(({ id }) => id === listening.heard);
  const tell = async () => {
    if (!one || !other) return;
    const names = { one: one.name, other: other.name, model: sayBetween(one, other, scale) };
    const rest = { seed: null, planned: 1, trials: [], isFinished: true, note: '' };
    await keep({ listener, kind: 'said', rig: rigId, expected, ...names, ...rest });
    draftsSent(draftKey('listen', 'said', rigId));
    setTold(true);
  };
  const again = () => {
    setExpected('');
    setTold(false);
  };
  return { listener, setListener, expected, setExpected, isTold, tell, again };
}

interface ToldProps extends ListenProps {
  readonly expected: string;
  readonly onAgain: () => void;
}

const Told = ({ expected, onAgain, ...props }: ToldProps) => (
  <>
    <Waters {...props} />
    <Typography variant="body2" sx={{ mt: 1 }}>{`You expected: ${expected}`}</Typography>
    <Button sx={{ mt: 1 }} variant="outlined" onClick={onAgain}>
      Another pair
    </Button>
  </>
);
