import type { ListenerScale, RigVoice, VoiceGroup } from '@gullwind/core';
import { Box, Button, styled, Typography } from '@mui/material';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { sayVoice } from './sayVoice';

interface Props {
  readonly voices: readonly RigVoice[];
  readonly heard: string;
  readonly against: string;
  readonly scale: ListenerScale | null;
  /** Figures are told only after something was said. */
  readonly isTold: boolean;
  readonly onHear: (id: string) => void;
  readonly onHold: (id: string) => void;
}

const GROUPS: readonly (readonly [VoiceGroup, string])[] = [
  ['now', 'The rig'],
  ['plan', 'What Plans advises first'],
  ['shop', 'At the shop'],
  ['scenes', 'Scenes'],
  ['states', 'Its switches'],
  ['pins', 'Pins'],
  ['lengths', 'The longest cable at other lengths'],
  ['guitars', 'Other guitars'],
];

/** Keys that voices have, in their order. */
export const VOICE_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'];

const VoiceLine = styled('button')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '22px 1fr',
  flex: 1,
  minWidth: 0,
  border: 0,
  borderLeft: '3px solid transparent',
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  fontSize: 14,
  lineHeight: 1.3,
  textAlign: 'left',
  padding: '3px 4px',
  cursor: 'pointer',
  overflowWrap: 'anywhere',
  '&[aria-pressed="true"]': { borderLeftColor: theme.chart.sea, fontWeight: 600 },
  '& small': { gridColumn: 2, fontSize: 12.5, fontWeight: 400, color: theme.chart.faint },
}));

/** Every voice with its key; one is heard, one is what it is held against. */
export function VoiceList(props: Props) {
  const { voices } = props;
  return GROUPS.map(([group, title]) => {
    const own = voices.filter((voice) => voice.group === group);
    return own.length === 0 ? null : (
      <PanelGroup key={group} title={title}>
        {own.map((voice) => (
          <OneVoice key={voice.id} {...props} voice={voice} />
        ))}
      </PanelGroup>
    );
  });
}

function OneVoice(props: Props & { readonly voice: RigVoice }) {
  const { voice, voices, heard, against, scale, isTold, onHear, onHold } = props;
  const key = VOICE_KEYS[voices.indexOf(voice)] ?? '';
  const isHeld = voice.id === against;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center' }}>
      <VoiceLine
        type="button"
        aria-pressed={voice.id === heard}
        data-voice={voice.id}
        onClick={() => onHear(voice.id)}
      >
        <Typography component="span" sx={{ fontStyle: 'italic', fontSize: 14 }}>
          {key}
        </Typography>
        <span>{voice.name}</span>
        <small>{isTold ? sayVoice(voice, scale) : 'not told yet'}</small>
      </VoiceLine>
      <Button
        size="small"
        aria-pressed={isHeld}
        aria-label={`Hold ${voice.name} against what is heard`}
        onClick={() => onHold(voice.id)}
        sx={{ minWidth: 0, fontSize: 12.5, fontWeight: isHeld ? 700 : 400 }}
      >
        {isHeld ? 'held' : 'hold'}
      </Button>
    </Box>
  );
}
