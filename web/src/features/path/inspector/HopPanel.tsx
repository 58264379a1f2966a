import { nameHop } from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import type { PanelProps } from './panelProps';
import { PanelGroup } from '../../../ui/parts/PanelGroup';

/** A hop whose lead is still missing: nothing is assumed in its place. */
export function HopPanel({
  rig,
  actions,
  onSwap,
  row: rowId,
  hop,
}: PanelProps & { readonly row: string; readonly hop: number }) {
  const row = rig.rows.find(({ id }) => id === rowId)!;
  const name = nameHop(rig, row, hop);
  const isEmptyLoop = row.at.kind === 'loop' && row.devices.length === 0;
  return (
    <>
      <Typography variant="h2" sx={{ fontSize: 17 }}>
        {name.charAt(0).toUpperCase() + name.slice(1)} is missing
      </Typography>
      <Typography variant="body2" sx={{ my: 1, color: 'text.secondary' }}>
        {isEmptyLoop
          ? 'The loop is empty. Closed, it lets nothing through until a pedal or a jumper is in it.'
          : 'Somebody has to make this lead. Until it has a length, nothing comes through here.'}
      </Typography>
      <Button
        data-first=""
        size="small"
        variant="contained"
        onClick={() => actions.giveLead(rowId, hop)}
      >
        {isEmptyLoop ? 'Put a jumper in' : 'Lay a patch'}
      </Button>
      <PanelGroup title="Or">
        <Button size="small" onClick={() => onSwap('lead')}>
          A lead from the gear list
        </Button>
        <Button size="small" onClick={actions.add}>
          A pedal here
        </Button>
      </PanelGroup>
    </>
  );
}
