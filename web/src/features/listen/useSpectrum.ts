import { SPECTRUM_SAMPLES, thirdOctavesOf } from '@gullwind/core';
import { useEffect, useState } from 'react';
import type { Listening } from './useListening';

const LOOK_EVERY_MS = 120;

/** Third octaves of what is heard: of all of it, or while it plays of where it is; null while nothing is rendered. */
export function useSpectrum({ rendered, heard, player }: Listening): Float64Array | null {
  const voice = rendered?.voices.find(({ id }) => id === heard) ?? null;
  const [now, setNow] = useState<{ readonly of: object; readonly db: Float64Array } | null>(null);
  const { isPlaying, position } = player;
  const rate = rendered?.rate ?? 0;
  useEffect(() => {
    if (!isPlaying || !voice) return undefined;
    const timer = setInterval(() => {
      const at = Math.round(position() * rate);
      const from = Math.max(0, Math.min(at, voice.samples.length - SPECTRUM_SAMPLES));
      const piece = voice.samples.subarray(from, from + SPECTRUM_SAMPLES);
      setNow({ of: voice, db: thirdOctavesOf(piece, rate) });
    }, LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [isPlaying, position, voice, rate]);
  if (!voice) return null;
  return isPlaying && now?.of === voice ? now.db : voice.thirdOctavesDb;
}
