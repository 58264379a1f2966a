import Add from '@mui/icons-material/Add';
import KeyboardOutlined from '@mui/icons-material/KeyboardOutlined';
import { Box, Button } from '@mui/material';
import { memo, type ReactNode } from 'react';
import { NameField } from '../../ui/NameField';
import { RigTools, SaveMark, Tool, type SaveState } from '../editor';
import type { PathActions } from './usePathActions';

interface Props {
  readonly name: string;
  readonly player: string;
  readonly save: SaveState;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly actions: PathActions;
  /** Scene, guitar, end and power. */
  readonly standBar: ReactNode;
  readonly takeOut: ReactNode;
}

// The same objects each time: what is drawn with them is not drawn again.
const NAME_STYLE = { fontSize: 21, fontWeight: 600, width: '100%' } as const;
const PLAYER_STYLE = { fontSize: 15, width: '100%' } as const;

/** Whose rig this is, how it stands with the server, and the few things that act on all of it. */
export function PathHeader(props: Props) {
  const { name, player, save, canUndo, canRedo, actions, standBar, takeOut } = props;
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
      <Box component="h1" sx={{ m: 0, flex: '1 1 150px', minWidth: 110, maxWidth: 300 }}>
        <NameField label="Name of the rig" value={name} onChange={actions.rename} sx={NAME_STYLE} />
      </Box>
      <Box sx={{ flex: '0 1 120px', minWidth: 60 }}>
        <NameField
          label="Player"
          value={player}
          required={false}
          placeholder="whose rig is it?"
          onChange={actions.namePlayer}
          sx={PLAYER_STYLE}
        />
      </Box>
      <SaveMark save={save} />
      {standBar}
      <Tools canUndo={canUndo} canRedo={canRedo} actions={actions} />
      {takeOut}
    </Box>
  );
}

/** Drawn again only when something of it changes, not at every step of a drag. */
const Tools = memo(function Tools({
  canUndo,
  canRedo,
  actions,
}: Pick<Props, 'canUndo' | 'canRedo' | 'actions'>) {
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        startIcon={<Add />}
        sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}
        onClick={actions.add}
      >
        Add a pedal
      </Button>
      <RigTools canUndo={canUndo} canRedo={canRedo} />
      <Tool label="Keys" onClick={actions.showKeys}>
        <KeyboardOutlined fontSize="small" />
      </Tool>
    </>
  );
});
