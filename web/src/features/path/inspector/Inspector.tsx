import { Box } from '@mui/material';
import { memo, type Ref } from 'react';
import type { Analysed } from '../../../workers/useAnalysis';
import { switchNumbers } from '@gullwind/core';
import type { Selection } from '../model/selection';
import { DevicePanel } from './DevicePanel';
import { DestinationPanel } from './DestinationPanel';
import { GuitarPanel } from './GuitarPanel';
import { ConnectionPanel } from './ConnectionPanel';
import { CablePanel } from './CablePanel';
import type { PanelProps } from './panelProps';

interface Props extends PanelProps {
  readonly ref: Ref<HTMLDivElement>;
  readonly selection: Selection;
  readonly analysed: Analysed | null;
  /** Of the way that is looked at. */
  readonly rowId: string;
}

/** The numbers of what is selected, edited where they stand. Escape goes back to the Run. */
export const Inspector = memo(function Inspector({ ref, ...panel }: Props) {
  return (
    <Box
      ref={ref}
      component="section"
      aria-label="Selected"
      tabIndex={0}
      onKeyDown={(event) => {
        if (event.key === 'Escape')
          document.querySelector<HTMLElement>('[role="listbox"]')?.focus();
      }}
      sx={{
        borderLeft: 1,
        borderColor: 'divider',
        px: 2,
        py: 1.25,
        overflowY: 'auto',
        scrollbarWidth: 'thin',
      }}
    >
      <SelectedPanel {...panel} />
    </Box>
  );
});

function SelectedPanel({ selection, analysed, rowId, ...panel }: Omit<Props, 'ref'>) {
  switch (selection.kind) {
    case 'guitar':
      return <GuitarPanel key={selection.id} {...panel} id={selection.id} />;
    case 'destination':
      return <DestinationPanel key={selection.id} {...panel} id={selection.id} />;
    case 'cable':
      return <CablePanel key={selection.id} {...panel} id={selection.id} rowId={rowId} />;
    case 'connection':
      return <ConnectionPanel {...panel} row={selection.row} connection={selection.connection} />;
    case 'device':
      return (
        <DevicePanel
          key={selection.id}
          {...panel}
          id={selection.id}
          rowId={rowId}
          number={switchNumbers(panel.rig).get(selection.id)}
          analysed={analysed}
        />
      );
  }
}
