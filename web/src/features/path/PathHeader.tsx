import Add from '@mui/icons-material/Add';
import KeyboardOutlined from '@mui/icons-material/KeyboardOutlined';
import { Button } from '@mui/material';
import { memo, type ReactNode } from 'react';
import { RigTools, StageHeader, Tool, type SaveState } from '../editor';
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
  readonly exportMenu: ReactNode;
}

/** Whose rig this is, how it stands with the server, and the few things that act on all of it. */
export function PathHeader(props: Props) {
  const { name, player, save, canUndo, canRedo, actions, standBar, exportMenu } = props;
  return (
    <StageHeader name={name} player={player} save={save}>
      {standBar}
      <Tools canUndo={canUndo} canRedo={canRedo} actions={actions} />
      {exportMenu}
    </StageHeader>
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
