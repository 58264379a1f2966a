import { SIMULATED_RATE, slug, type RigVoice, type Section } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { questionsWorker } from '../../workers/workers';
import { saveBytes } from '../files';
import type { ListenProps } from './listenProps';

/** What is heard, to take along: the sound, or what the rig does to any sound. */
export function OutPanel({
  listening,
  voices,
  rigName,
}: ListenProps & { readonly rigName: string }) {
  const { rendered, heard, setting } = listening;
  const [isBusy, setBusy] = useState(false);
  const voice = voices.find(({ id }) => id === heard);
  const sound = rendered?.voices.find(({ id }) => id === heard);
  const name = `${slug(rigName)}-${slug(voice?.name ?? '')}`.slice(0, 80);
  const save = async (file: string, make: () => Promise<Uint8Array>) => {
    setBusy(true);
    try {
      saveBytes(`${file}.wav`, await make(), 'audio/wav');
    } finally {
      setBusy(false);
    }
  };
  const through = voices.find(({ id }) => id === setting.own?.through)?.sections ?? null;
  const rate = rendered?.rate ?? SIMULATED_RATE;
  return (
    <PanelGroup title="Take along (WAV, 24 bit)">
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          size="small"
          variant="outlined"
          disabled={!sound || isBusy}
          onClick={() =>
            void save(name, () => questionsWorker().wavOf({ samples: sound!.samples, rate }))
          }
        >
          What is heard
        </Button>
        <Button
          size="small"
          variant="outlined"
          disabled={!voice || isBusy}
          onClick={() => void save(`${name}-impulse`, () => impulseFile(through, voice!, rate))}
        >
          Its impulse response
        </Button>
      </Box>
      <Capped fromHz={sound?.cappedFromHz ?? null} />
    </PanelGroup>
  );
}

async function impulseFile(
  through: readonly Section[] | null,
  { sections }: RigVoice,
  rate: number,
): Promise<Uint8Array> {
  const { sound } = await questionsWorker().impulseOf(through, sections, rate);
  return questionsWorker().wavOf(sound);
}

const Capped = ({ fromHz }: { readonly fromHz: number | null }) =>
  fromHz === null ? null : (
    <Typography variant="caption" sx={{ display: 'block' }}>
      {`From ${Math.round(fromHz)} Hz on this would have to lift more than 18 dB of what your sound lost already; it lifts 18 dB.`}
    </Typography>
  );
