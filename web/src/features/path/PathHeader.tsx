import Add from '@mui/icons-material/Add';
import { Button } from '@mui/material';
import { memo, type ReactNode } from 'react';
import { StageHeader, type OpenRig } from '../editor';

interface Props {
  readonly open: OpenRig;
  readonly onAdd: () => void;
  /** Scene, guitar, way and power. */
  readonly stateBar: ReactNode;
  readonly exportMenu: ReactNode;
}

/** Whose rig this is, how it stands with the server, and the few things that act on all of it. */
export const PathHeader = ({ open, onAdd, stateBar, exportMenu }: Props) => (
  <StageHeader stage="Path" open={open}>
    {stateBar}
    <AddButton onAdd={onAdd} />
    {exportMenu}
  </StageHeader>
);

/** Not drawn anew at every step of a drag. */
const AddButton = memo(function AddButton({ onAdd }: Pick<Props, 'onAdd'>) {
  return (
    <Button
      size="small"
      variant="outlined"
      startIcon={<Add />}
      sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}
      onClick={onAdd}
    >
      Add a pedal
    </Button>
  );
});
