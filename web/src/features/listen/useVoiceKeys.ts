import type { RigVoice } from '@gullwind/core';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Listening } from './useListening';
import { VOICE_KEYS } from './VoiceList';

/** Keys of voices, space for the music. */
export function useVoiceKeys(voices: readonly RigVoice[], { hear, player }: Listening): void {
  useHotkeys(
    VOICE_KEYS,
    (event) => {
      const voice = voices[VOICE_KEYS.indexOf(event.key)];
      if (voice) hear(voice.id);
    },
    { useKey: true },
  );
  useHotkeys('space', player.toggle, { preventDefault: true });
}
