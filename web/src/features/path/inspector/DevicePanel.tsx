import {
  DEVICE_CLASSES,
  formatQuantity,
  formatSignedDb,
  hasSwitch,
  isEngaged,
  type BypassChoice,
  type BypassKind,
} from '@gullwind/core';
import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowForward from '@mui/icons-material/ArrowForward';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Typography } from '@mui/material';
import type { Analysed } from '../../../workers/useAnalysis';
import { ChoiceField } from './ChoiceField';
import type { PanelProps } from './panelProps';
import { PanelGroup, PanelHead } from './PanelHead';
import { PartFields } from './PartFields';

const BYPASSES: readonly (readonly [BypassKind, string])[] = [
  ['true', 'true bypass'],
  ['buffered', 'buffered'],
  ['loaded', 'loaded: input stays on the line'],
  ['switchable', 'switchable'],
  ['alwaysOn', 'always on'],
];

const CHOICES: readonly (readonly [BypassChoice, string])[] = [
  ['true', 'true bypass'],
  ['buffered', 'buffered'],
];

interface Props extends PanelProps {
  readonly index: number;
  readonly analysed: Analysed | null;
}

export function DevicePanel({ rig, units, actions, index, analysed }: Props) {
  const device = rig.devices[index]!;
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
        kind={`${index + 1}, ${kind}`}
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
          disabled={index === rig.devices.length - 1}
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
            onClick={() => actions.stamp(index)}
          >
            {on ? 'on' : 'off'}
          </Button>
        )}
        <Button size="small" onClick={actions.bufferBehind}>
          Buffer behind it
        </Button>
      </Box>
      <DriverNote analysed={analysed} index={index} />
      <ChoiceField
        label="When off"
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
      {bypass !== 'alwaysOn' && (
        <PanelGroup title="Off">
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
      <Typography variant="caption" sx={{ display: 'block', mt: 1, color: 'text.secondary' }}>
        The effect itself is not modelled: on means this gain, with its own input and output.
      </Typography>
    </>
  );
}

/** What it drives, while it drives. */
function DriverNote({ analysed, index }: { analysed: Analysed | null; index: number }) {
  if (analysed?.analysis.kind !== 'sounding') return null;
  const load = analysed.analysis.loads.find(({ driver }) => driver === index);
  if (!load) return null;
  return (
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      Drives {formatQuantity(load.impedanceOhm, 'resistance', 'metric')} at 5 kHz; loses{' '}
      {formatSignedDb(load.interstageDb, 2)} dB to its own output.
    </Typography>
  );
}
