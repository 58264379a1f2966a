import { Box } from '@mui/material';
import type { Ref } from 'react';
import type { Analysed } from '../../../workers/useAnalysis';
import type { Selection } from '../selection';
import { AmpPanel } from './AmpPanel';
import { DevicePanel } from './DevicePanel';
import { GuitarPanel } from './GuitarPanel';
import { LeadPanel } from './LeadPanel';
import type { PanelProps } from './panelProps';

interface Props extends PanelProps {
  readonly ref: Ref<HTMLDivElement>;
  readonly selection: Selection;
  readonly analysed: Analysed | null;
}

/** The numbers of what is selected, edited where they stand. Escape goes back to the Run. */
export function Inspector({ ref, selection, analysed, ...panel }: Props) {
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
      {selection.kind === 'guitar' && <GuitarPanel {...panel} />}
      {selection.kind === 'amp' && <AmpPanel {...panel} />}
      {selection.kind === 'lead' && (
        <LeadPanel key={panel.rig.leads[selection.index]!.id} {...panel} index={selection.index} />
      )}
      {selection.kind === 'device' && (
        <DevicePanel
          key={panel.rig.devices[selection.index]!.id}
          {...panel}
          index={selection.index}
          analysed={analysed}
        />
      )}
    </Box>
  );
}
