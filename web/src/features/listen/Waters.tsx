import { Typography } from '@mui/material';
import type { ListenProps } from './listenProps';
import { sayBetween } from './sayVoice';
import { TwoWaters } from './TwoWaters';
import { useSpectrum } from './useSpectrum';

/** Both curves with what lies between, the spectrum of what is heard, and the same in words. */
export function Waters({ voices, listening, scale }: ListenProps) {
  const spectrumDb = useSpectrum(listening);
  const one = voices.find(({ id }) => id === listening.against);
  const other = voices.find(({ id }) => id === listening.heard);
  if (!one || !other) return null;
  const words = sayBetween(one, other, scale);
  return (
    <>
      <TwoWaters
        oneDb={one.levelDb}
        otherDb={other.levelDb}
        spectrumDb={spectrumDb}
        words={words}
      />
      <Typography role="status" sx={{ fontSize: 16, mt: 0.5 }}>
        {words}
      </Typography>
    </>
  );
}
