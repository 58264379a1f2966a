import { nameConnection } from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import type { PanelProps } from './panelProps';
import { PanelGroup } from '../../../ui/parts/PanelGroup';

/** A connection whose cable is still missing: nothing is assumed in its place. */
export function ConnectionPanel({
  rig,
  actions,
  onSwap,
  row: rowId,
  connection,
}: PanelProps & { readonly row: string; readonly connection: number }) {
  const row = rig.electrical.rows.find(({ id }) => id === rowId)!;
  const name = nameConnection(rig, row, connection);
  const isEmptyLoop = row.at.kind === 'loop' && row.devices.length === 0;
  return (
    <>
      <Typography variant="h2" sx={{ fontSize: 17 }}>
        {name.charAt(0).toUpperCase() + name.slice(1)} is missing
      </Typography>
      <Typography variant="body2" sx={{ my: 1, color: 'text.secondary' }}>
        {isEmptyLoop
          ? 'The loop is empty. Closed, it lets nothing through until a pedal or a jumper is in it.'
          : 'Somebody has to make this cable. Until it has a length, nothing comes through here.'}
      </Typography>
      <Button
        data-first=""
        size="small"
        variant="contained"
        onClick={() => actions.giveCable(rowId, connection)}
      >
        {isEmptyLoop ? 'Put a jumper in' : 'Lay a patch'}
      </Button>
      <PanelGroup title="Or">
        <Button size="small" onClick={() => onSwap('cable')}>
          A cable from the gear list
        </Button>
        <Button size="small" onClick={actions.add}>
          A pedal here
        </Button>
      </PanelGroup>
    </>
  );
}
