import type { ListenerScale, RigVoice } from '@gullwind/core';
import type { Listening } from './useListening';

/** What every way of listening is given. */
export interface ListenProps {
  readonly rigId: string;
  readonly voices: readonly RigVoice[];
  readonly listening: Listening;
  readonly scale: ListenerScale | null;
}
