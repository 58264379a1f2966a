import { Box } from '@mui/material';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import type { ListenProps } from '../listenProps';

/** Which two voices are held against each other. */
export function VoicePair({ voices, listening }: Pick<ListenProps, 'voices' | 'listening'>) {
  const options = voices.map(({ id, name }) => [id, name] as const);
  return (
    <Box sx={{ maxWidth: 520 }}>
      <ChoiceField
        label="A"
        value={listening.against}
        options={options}
        onChange={listening.hold}
      />
      <ChoiceField label="B" value={listening.heard} options={options} onChange={listening.hear} />
    </Box>
  );
}
