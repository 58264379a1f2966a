import { Box, Typography } from '@mui/material';
import { useCallback, type ReactNode } from 'react';
import { NameField } from '../../ui/NameField';
import type { OpenRig } from './editorSlice';
import { RigTools } from './RigTools';
import { SaveMark } from './SaveMark';
import { useRigEdits } from './useRigEdits';

interface Props {
  /** Which stage is looked at, where the page does not say so itself. */
  readonly stage?: string;
  readonly open: OpenRig;
  /** What the stage itself has to say or do about all of the rig. */
  readonly children?: ReactNode;
}

// The same objects each time: what is drawn with them is not drawn again.
const NAME_STYLE = { fontSize: 21, fontWeight: 600, width: '100%' } as const;
const PLAYER_STYLE = { fontSize: 15, width: '100%' } as const;

/** Whose rig this is, how it stands with the server, and what acts on all of it. */
export function StageHeader({ stage, open, children }: Props) {
  return (
    <Box component="header" sx={BAR}>
      {stage && (
        <Typography component="h1" sx={{ fontSize: 21, mr: 1 }}>
          {stage}
        </Typography>
      )}
      <RigName stage={stage} name={open.rig.texts.name} />
      <PlayerName stage={stage} player={open.rig.texts.player} />
      <SaveMark save={open.save} />
      {stage && <Box sx={{ flex: 1 }} />}
      {children}
      <RigTools canUndo={open.past.length > 0} canRedo={open.future.length > 0} />
    </Box>
  );
}

const BAR = {
  display: 'flex',
  alignItems: 'center',
  gap: 1,
  px: 2,
  minHeight: 50,
  flexWrap: 'wrap',
  borderBottom: 1,
  borderColor: 'divider',
} as const;

interface NameProps {
  readonly stage: string | undefined;
}

/** The rig's name; it heads the page where no stage does. */
function RigName({ stage, name }: NameProps & { readonly name: string }) {
  const edit = useRigEdits();
  const rename = useCallback(
    (to: string) => edit({ kind: 'rename', target: { of: 'rig' }, to }),
    [edit],
  );
  return (
    <Box
      component={stage ? 'div' : 'h1'}
      sx={{ m: 0, flex: '1 1 150px', minWidth: 110, maxWidth: 300 }}
    >
      <NameField label="Name of the rig" value={name} onChange={rename} sx={NAME_STYLE} />
    </Box>
  );
}

function PlayerName({ stage, player }: NameProps & { readonly player: string }) {
  const edit = useRigEdits();
  const describe = useCallback(
    (to: string) => edit({ kind: 'describe', field: 'player', to }),
    [edit],
  );
  return (
    <Box sx={{ flex: `0 1 ${stage ? 200 : 120}px`, minWidth: 60 }}>
      <NameField
        label="Player"
        value={player}
        required={false}
        placeholder="whose rig is it?"
        onChange={describe}
        sx={PLAYER_STYLE}
      />
    </Box>
  );
}
