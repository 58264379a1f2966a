import { canSplit, inputsOf, secondHalfOf, type Device } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import type { PanelProps } from './panelProps';

interface Props extends Pick<PanelProps, 'rig' | 'actions'> {
  readonly device: Device;
}

/** Ways that come in at a device, or go on from it elsewhere. */
export const DeviceWays = (props: Props) => (
  <>
    <SecondHalf {...props} />
    <SelectorInputs {...props} />
  </>
);

/** A gate in four cables: its second half in the amp's effects loop. */
function SecondHalf({ device, rig, actions }: Props) {
  const other = secondHalfOf(rig, device.id);
  if (other !== null)
    return (
      <Button size="small" onClick={() => actions.select({ kind: 'device', id: other })}>
        To its second half in the amp’s loop
      </Button>
    );
  if (!canSplit(rig, device.id)) return null;
  return (
    <Button
      size="small"
      title="In four cables: guitar to its input, its send to the amp; the amp’s send to its return, its output to the amp’s return. One switch moves both halves."
      onClick={() => actions.splitIntoLoop(device.id)}
    >
      Second half into the amp’s loop
    </Button>
  );
}

/** What comes in at a selector, and which of it is heard. */
function SelectorInputs({ device, rig, actions }: Props) {
  if (device.deviceClass !== 'selector') return null;
  const inputs = inputsOf(rig, device.id);
  return (
    <PanelGroup title={`Inputs: ${inputs.length}`}>
      {inputs.map(({ id, name }, i) => (
        <Box key={id} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Typography variant="body2" sx={{ flex: 1, overflowWrap: 'anywhere' }}>
            {i + 1} {name}
          </Typography>
          <Button
            size="small"
            aria-pressed={rig.state.playing === id}
            aria-label={`${name} plays`}
            variant={rig.state.playing === id ? 'contained' : 'outlined'}
            sx={{ py: 0 }}
            onClick={() => actions.play(id)}
          >
            {rig.state.playing === id ? 'plays' : 'play it'}
          </Button>
        </Box>
      ))}
      <Button size="small" onClick={actions.askGuitar}>
        One more input, for another guitar
      </Button>
    </PanelGroup>
  );
}
