import { Box, Typography } from '@mui/material';
import { useCallback, type ReactNode } from 'react';
import { NameField } from '../../ui/NameField';
import { BuiltNote } from './BuiltNote';
import type { OpenRig } from './model/editorSlice';
import { PlaceChoice } from './PlaceChoice';
import { RigTools } from './RigTools';
import { SaveMark } from './SaveMark';
import { useRigEdits } from './useRigEdits';

interface Props {
  /** Which stage is looked at. */
  readonly stage: string;
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
    <>
      <Box component="header" sx={BAR}>
        <Typography component="h1" sx={{ fontSize: 21, mr: 1 }}>
          {stage}
        </Typography>
        <RigName name={open.rig.texts.name} />
        <PlayerName player={open.rig.texts.player} />
        <SaveMark save={open.save} isKept={open.isKept} />
        <PlaceChoice rig={open.rig} />
        <Box sx={{ flex: 1 }} />
        {children}
        <RigTools canUndo={open.past.length > 0} canRedo={open.future.length > 0} />
      </Box>
      {CHANGE_THE_CHAIN.includes(stage) && <BuiltNote id={open.id} rig={open.rig} />}
    </>
  );
}

/** Stages at which the chain is changed, and with it what a built board should be. */
const CHANGE_THE_CHAIN: readonly string[] = ['Brief', 'Path', 'Plans'];

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

function RigName({ name }: { readonly name: string }) {
  const edit = useRigEdits();
  const rename = useCallback(
    (to: string) => edit({ kind: 'rename', target: { of: 'rig' }, to }),
    [edit],
  );
  return (
    <Box sx={{ flex: '1 1 150px', minWidth: 110, maxWidth: 300 }}>
      <NameField label="Name of the rig" value={name} onChange={rename} sx={NAME_STYLE} />
    </Box>
  );
}

function PlayerName({ player }: { readonly player: string }) {
  const edit = useRigEdits();
  const describe = useCallback(
    (to: string) => edit({ kind: 'describe', field: 'player', to }),
    [edit],
  );
  return (
    <Box sx={{ flex: '0 1 120px', minWidth: 60 }}>
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
