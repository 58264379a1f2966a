import {
  DEVICE_CLASSES,
  formatQuantity,
  findDevice,
  formatSignedDb,
  hasSwitch,
  isEngaged,
  rowOf,
  wantsPickup,
  type BypassChoice,
  type BypassKind,
} from '@gullwind/core';
import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowForward from '@mui/icons-material/ArrowForward';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Typography } from '@mui/material';
import { Disclosure } from '../../../ui/Disclosure';
import type { Analysed } from '../../../workers/useAnalysis';
import { ChoiceField } from './ChoiceField';
import { DeviceShape, LinkedSwitches } from './DeviceShape';
import type { PanelProps } from './panelProps';
import { PanelGroup, PanelHead } from './PanelHead';
import { PartFields } from './PartFields';
import { StandInTool } from './StandInTool';

const BYPASSES: readonly (readonly [BypassKind, string])[] = [
  ['true', 'true bypass'],
  ['buffered', 'buffered'],
  ['loaded', 'loaded: input stays on the line'],
  ['switchable', 'switchable'],
  ['alwaysOn', 'always on'],
  ['passive', 'passive: never drives'],
];

const CHOICES: readonly (readonly [BypassChoice, string])[] = [
  ['true', 'true bypass'],
  ['buffered', 'buffered'],
];

interface Props extends PanelProps {
  readonly id: string;
  readonly rowId: string;
  /** Its number to stamp by. */
  readonly number: number | undefined;
  readonly analysed: Analysed | null;
}

export function DevicePanel({ rig, units, actions, id, rowId, number, analysed }: Props) {
  const device = findDevice(rig, id)!;
  const row = rowOf(rig, id)!;
  const index = row.devices.indexOf(device);
  const target = { of: 'device', id: device.id } as const;
  const kind = DEVICE_CLASSES[device.deviceClass].label;
  const shared = {
    part: device,
    of: 'device',
    id: device.id,
    units,
    assumedFrom: kind,
    actions,
  } as const;
  const choose = (field: string, to: string) => actions.edit({ kind: 'choose', target, field, to });
  const on = isEngaged(rig, device);
  const bypass = device.bypass === 'switchable' ? device.bypassChoice : device.bypass;
  return (
    <>
      <PanelHead
        name={device.name}
        label="Name of the pedal"
        kind={number === undefined ? kind : `${number}, ${kind}`}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
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
        <IconButton size="small" aria-label="Take it out" onClick={actions.takeOut}>
          <DeleteOutlined fontSize="small" />
        </IconButton>
      </PanelHead>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, my: 0.5 }}>
        {hasSwitch(device) && (
          <Button
            size="small"
            variant={on ? 'contained' : 'outlined'}
            aria-pressed={on}
            onClick={() => actions.stamp(id)}
          >
            {on ? 'on' : 'off'}
          </Button>
        )}
        <Button size="small" onClick={actions.bufferBehind}>
          Buffer behind it
        </Button>
      </Box>
      <DriverNote analysed={analysed} id={id} />
      <ChoiceField
        label="Bypass"
        value={device.bypass}
        options={BYPASSES}
        onChange={(to) => choose('bypass', to)}
      />
      {device.bypass === 'switchable' && (
        <ChoiceField
          label="Set to"
          value={device.bypassChoice}
          options={CHOICES}
          onChange={(to) => choose('bypassChoice', to)}
        />
      )}
      {bypass !== 'passive' && (
        <PanelGroup title={device.mutes ? 'On: silent, but its input is there' : 'On'}>
          <PartFields
            {...shared}
            fields={[
              ['on.rInOhm', 'Input'],
              ['on.cInF', 'Input capacitance'],
              ...(device.mutes
                ? []
                : ([
                    ['on.rOutOhm', 'Output'],
                    ['on.gainDb', 'Gain'],
                  ] as const)),
            ]}
          />
        </PanelGroup>
      )}
      <DeviceShape device={device} rig={rig} actions={actions} />
      <LinkedSwitches device={device} rig={rig} actions={actions} />
      {device.pot && (
        <PanelGroup title="Track">
          <PartFields
            {...shared}
            fields={[
              ['pot.travel', 'Set to, 0 to 10'],
              ['pot.potOhm', 'Track'],
              ['pot.midFraction', 'At half travel'],
            ]}
          />
        </PanelGroup>
      )}
      {bypass !== 'alwaysOn' && (
        <PanelGroup title={bypass === 'passive' ? 'As a wire' : 'Off'}>
          {bypass === 'buffered' && (
            <PartFields
              {...shared}
              fields={[
                ['off.rInOhm', 'Input'],
                ['off.cInF', 'Input capacitance'],
                ['off.rOutOhm', 'Output'],
                ['off.gainDb', 'Gain'],
              ]}
            />
          )}
          {bypass === 'loaded' && (
            <PartFields
              {...shared}
              fields={[
                ['off.rInOhm', 'Input on the line'],
                ['off.cInF', 'Its capacitance'],
              ]}
            />
          )}
          {bypass !== 'buffered' && (
            <PartFields
              {...shared}
              fields={[
                ['strayF', 'Stray capacitance'],
                ['contactOhm', 'Contacts'],
              ]}
            />
          )}
        </PanelGroup>
      )}
      {wantsPickup(device) && (
        <Disclosure title="A stand-in for the pickup">
          <StandInTool rig={rig} rowId={rowId} id={id} />
        </Disclosure>
      )}
      <Typography variant="caption" sx={{ display: 'block', mt: 1, color: 'text.secondary' }}>
        The effect itself is not modelled: on means this gain, with its own input and output.
      </Typography>
    </>
  );
}

/** What it drives, while it drives. */
function DriverNote({ analysed, id }: { analysed: Analysed | null; id: string }) {
  if (analysed?.analysis.kind !== 'sounding') return null;
  const { loads, stops } = analysed.analysis;
  const load = loads.findLast(({ driver }) => {
    const { place } = stops[driver]!;
    return place.kind === 'device' && place.id === id;
  });
  if (!load) return null;
  return (
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      Drives {formatQuantity(load.impedanceOhm, 'resistance', 'metric')} at 5 kHz; loses{' '}
      {formatSignedDb(load.interstageDb, 2)} dB to its own output.
    </Typography>
  );
}
