import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { NameField } from '../../ui/NameField';
import type { OpenRig } from './editorSlice';
import { RigTools } from './RigTools';
import { SaveMark } from './SaveMark';
import { useRigEdits } from './useRigEdits';

interface Props {
  readonly open: OpenRig;
  readonly stage: string;
  readonly children?: ReactNode;
}

const NAME_STYLE = { fontSize: 21, fontWeight: 600, width: '100%' } as const;
const PLAYER_STYLE = { fontSize: 15, width: '100%' } as const;

/** Whose rig this is, which stage is looked at, and how it stands with the server. */
export function StageHeader({ open, stage, children }: Props) {
  const { rig, save, past, future } = open;
  const edit = useRigEdits();
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        minHeight: 50,
        flexWrap: 'wrap',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Typography component="h1" sx={{ fontSize: 21, mr: 1 }}>
        {stage}
      </Typography>
      <Box sx={{ flex: '1 1 170px', minWidth: 110, maxWidth: 320 }}>
        <NameField
          label="Name of the rig"
          value={rig.name}
          onChange={(to) => edit({ kind: 'rename', target: { of: 'rig' }, to })}
          sx={NAME_STYLE}
        />
      </Box>
      <Box sx={{ flex: '0 1 170px', minWidth: 60 }}>
        <NameField
          label="Player"
          value={rig.player}
          required={false}
          placeholder="whose rig is it?"
          onChange={(to) => edit({ kind: 'describe', field: 'player', to })}
          sx={PLAYER_STYLE}
        />
      </Box>
      <SaveMark save={save} />
      <Box sx={{ flex: 1 }} />
      {children}
      <RigTools canUndo={past.length > 0} canRedo={future.length > 0} />
    </Box>
  );
}
