import { DEVICE_CLASSES, type BypassChoice, type BypassKind, type Device } from '@gullwind/core';
import { ChoiceField } from './ChoiceField';
import type { FieldsProps } from './partActions';
import { PanelGroup } from './PanelGroup';
import { PartFields, type FieldsOf } from './PartFields';

const BYPASSES: readonly (readonly [BypassKind, string])[] = [
  ['true', 'true bypass'],
  ['buffered', 'buffered'],
  ['hardwired', 'hardwired: input stays on the line'],
  ['switchable', 'switchable'],
  ['alwaysOn', 'always on'],
  ['passive', 'passive: never drives'],
];

const CHOICES: readonly (readonly [BypassChoice, string])[] = [
  ['true', 'true bypass'],
  ['buffered', 'buffered'],
];

type Fields = FieldsOf<'device'>;

const ON: Fields = [
  ['on.rInOhm', 'Input'],
  ['on.cInF', 'Input capacitance'],
];
const ON_OUTPUT: Fields = [
  ['on.rOutOhm', 'Output'],
  ['on.gainDb', 'Gain'],
];
const OFF_BUFFERED: Fields = [
  ['off.rInOhm', 'Input'],
  ['off.cInF', 'Input capacitance'],
  ['off.rOutOhm', 'Output'],
  ['off.gainDb', 'Gain'],
];
const OFF_HARDWIRED: Fields = [
  ['off.rInOhm', 'Input on the line'],
  ['off.cInF', 'Its capacitance'],
];
const WIRE: Fields = [
  ['strayF', 'Stray capacitance'],
  ['contactOhm', 'Contacts'],
];
const TRACK: Fields = [
  ['pot.travel', 'Set to, 0 to 10'],
  ['pot.potOhm', 'Track'],
  ['pot.midFraction', 'At half travel'],
];

interface Props extends FieldsProps {
  readonly device: Device;
}

const sharedOf = ({ device, units, actions }: Props) =>
  ({
    part: device,
    of: 'device',
    id: device.id,
    units,
    assumedFrom: DEVICE_CLASSES[device.deviceClass].label,
    actions,
  }) as const;

const bypassOf = ({ bypass, bypassChoice }: Device): BypassKind =>
  bypass === 'switchable' ? bypassChoice : bypass;

/** Its bypass, and what it is while it is on. */
export function DeviceOnFields(props: Props) {
  const { device, actions } = props;
  const shared = sharedOf(props);
  const bypass = bypassOf(device);
  const target = { of: 'device', id: device.id } as const;
  const choose = (field: string, to: string) => actions.edit({ kind: 'choose', target, field, to });
  return (
    <>
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
          <PartFields {...shared} fields={device.mutes ? ON : [...ON, ...ON_OUTPUT]} />
        </PanelGroup>
      )}
    </>
  );
}

/** Its track, and what it is while it is off. */
export function DeviceOffFields(props: Props) {
  const { device } = props;
  const shared = sharedOf(props);
  const bypass = bypassOf(device);
  return (
    <>
      {device.pot && (
        <PanelGroup title="Track">
          <PartFields {...shared} fields={TRACK} />
        </PanelGroup>
      )}
      {bypass !== 'alwaysOn' && (
        <PanelGroup title={bypass === 'passive' ? 'As a wire' : 'Off'}>
          {bypass === 'buffered' && <PartFields {...shared} fields={OFF_BUFFERED} />}
          {bypass === 'hardwired' && <PartFields {...shared} fields={OFF_HARDWIRED} />}
          {bypass !== 'buffered' && <PartFields {...shared} fields={WIRE} />}
        </PanelGroup>
      )}
    </>
  );
}
