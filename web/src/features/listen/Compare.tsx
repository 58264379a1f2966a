import type { ListenProps } from './listenProps';
import { PlayBar } from './PlayBar';
import { StepsBar } from './StepsBar';
import { useVoiceKeys } from './useVoiceKeys';
import { VoiceList } from './VoiceList';
import { Waters } from './Waters';

/** Voices beside each other, switched by their keys. */
export function Compare(props: ListenProps) {
  const { voices, listening, scale } = props;
  useVoiceKeys(voices, listening);
  return (
    <>
      <Waters {...props} />
      <PlayBar listening={listening} />
      <StepsBar {...props} />
      <VoiceList
        voices={voices}
        heard={listening.heard}
        against={listening.against}
        scale={scale}
        isTold
        onHear={listening.hear}
        onHold={listening.hold}
      />
    </>
  );
}
