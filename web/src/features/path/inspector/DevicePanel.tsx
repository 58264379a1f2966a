import {
  DEVICE_CLASSES,
  formatQuantity,
  findDevice,
  formatSignedDb,
  hasSwitch,
  isEngaged,
  rowOf,
  wantsPickup,
  type Device,
  type Row,
} from '@gullwind/core';
import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowForward from '@mui/icons-material/ArrowForward';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Typography } from '@mui/material';
import { Disclosure } from '../../../ui/Disclosure';
import type { Analysed } from '../../../workers/useAnalysis';
import { DeviceOffFields, DeviceOnFields } from '../../../ui/parts/DeviceFields';
import { DeviceWays } from './DeviceWays';
import { DeviceShape, LinkedSwitches } from './DeviceShape';
import { OutputSetter } from './OutputSetter';
import type { PanelProps } from './panelProps';
import { PanelHead } from './PanelHead';
import { PickupSimulatorTool } from './PickupSimulatorTool';

interface Props extends PanelProps {
  readonly id: string;
  readonly rowId: string;
  /** Its number to switch by. */
  readonly number: number | undefined;
  readonly analysed: Analysed | null;
}

export function DevicePanel({ rig, units, actions, id, rowId, number, analysed }: Props) {
  const device = findDevice(rig, id)!;
  const row = rowOf(rig, id)!;
  const target = { of: 'device', id: device.id } as const;
  const kind = DEVICE_CLASSES[device.deviceClass].label;
  const shared = { rig, device, actions };
  return (
    <>
      <PanelHead
        name={device.name}
        label="Name of the pedal"
        kind={number === undefined ? kind : `${number}, ${kind}`}
        gear={device.gear}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <PlaceButtons row={row} device={device} actions={actions} />
      </PanelHead>
      <SwitchButtons {...shared} />
      <DriverNote analysed={analysed} id={id} />
      <DeviceOnFields device={device} units={units} actions={actions} />
      <DeviceShape {...shared} />
      <DeviceWays {...shared} />
      <LinkedSwitches {...shared} />
      <DeviceOffFields device={device} units={units} actions={actions} />
      {device.deviceClass === 'buffer' && (
        <Disclosure title="Its output, set by what follows">
          <OutputSetter {...shared} rowId={rowId} />
        </Disclosure>
      )}
      {wantsPickup(device) && (
        <Disclosure title="A pickup simulator">
          <PickupSimulatorTool {...shared} rowId={rowId} id={id} units={units} />
        </Disclosure>
      )}
      <Typography variant="caption" sx={{ display: 'block', mt: 1, color: 'text.secondary' }}>
        The effect itself is not modelled: on means this gain, with its own input and output.
      </Typography>
    </>
  );
}

interface ButtonsProps extends Pick<PanelProps, 'actions'> {
  readonly device: Device;
}

/** One place further to either side, or out of the rig. */
function PlaceButtons({ row, device, actions }: ButtonsProps & { readonly row: Row }) {
  const index = row.devices.indexOf(device);
  return (
    <>
      <IconButton
        size="small"
        aria-label="One place towards the guitar"
        disabled={index === 0}
        onClick={() => actions.moveSelected(-1)}
      >
        <ArrowBack fontSize="small" />
      </IconButton>
      <IconButton
        size="small"
        aria-label="One place towards the amp"
        disabled={index === row.devices.length - 1}
        onClick={() => actions.moveSelected(1)}
      >
        <ArrowForward fontSize="small" />
      </IconButton>
      <IconButton size="small" aria-label="Delete it" onClick={actions.remove}>
        <DeleteOutlined fontSize="small" />
      </IconButton>
    </>
  );
}

function SwitchButtons({ rig, device, actions }: ButtonsProps & Pick<PanelProps, 'rig'>) {
  const on = isEngaged(rig, device);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, my: 0.5 }}>
      {hasSwitch(device) && (
        <Button
          size="small"
          variant={on ? 'contained' : 'outlined'}
          aria-pressed={on}
          onClick={() => actions.toggle(device.id)}
        >
          {on ? 'on' : 'off'}
        </Button>
      )}
      <Button size="small" onClick={actions.bufferAfter}>
        Buffer after it
      </Button>
    </Box>
  );
}

/** What it drives, while it drives. */
function DriverNote({ analysed, id }: { analysed: Analysed | null; id: string }) {
  if (analysed?.analysis.kind !== 'sounding') return null;
  const { loads, stops } = analysed.analysis;
  const load = loads.findLast(({ driver }) => {
    const { spot } = stops[driver]!;
    return spot.kind === 'device' && spot.id === id;
  });
  if (!load) return null;
  return (
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      Drives {formatQuantity(load.impedanceOhm, 'resistance', 'metric')} at 5 kHz; loses{' '}
      {formatSignedDb(load.interstageDb, 2)} dB to its own output.
    </Typography>
  );
}
