import { Box } from '@mui/material';
import type { ReactNode } from 'react';
import type { OpenRig } from './editorSlice';
import { RigTools } from './RigTools';
import { StageHeader } from './StageHeader';
import { useUndoKeys } from './useRigEdits';

interface Props {
  readonly open: OpenRig;
  readonly stage: string;
  /** What cables on from here. */
  readonly ways?: ReactNode;
  /** Widths of the columns below the header, from this breakpoint on. */
  readonly columns: object;
  readonly children: ReactNode;
}

/** A stage of a rig as a page: whose it is, undo and redo, and columns that scroll by themselves. */
export function StagePage({ open, stage, ways, columns, children }: Props) {
  const { rig, save, past, future } = open;
  useUndoKeys();
  return (
    <Box
      component="main"
      sx={{ height: { lg: '100vh' }, display: 'flex', flexDirection: 'column' }}
    >
      <StageHeader stage={stage} name={rig.texts.name} player={rig.texts.player} save={save}>
        <Box sx={{ flex: 1 }} />
        {ways}
        <RigTools canUndo={past.length > 0} canRedo={future.length > 0} />
      </StageHeader>
      <Box
        sx={{
          flex: 1,
          minHeight: 0,
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', ...columns },
        }}
      >
        {children}
      </Box>
    </Box>
  );
}
