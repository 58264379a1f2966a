import {
  gearOf,
  readNumber,
  typicalBody,
  type CaseSide,
  type Device,
  type Edit,
  type GearItem,
  type ItemEdit,
  type Polarity,
  type UnitSystem,
} from '@gullwind/core';
import { Button } from '@mui/material';
import { useMemo } from 'react';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { DeviceOffFields, DeviceOnFields } from '../../ui/parts/DeviceFields';
import { DeviceJacks } from '../../ui/parts/DeviceJacks';
import { EffectsLoopFields, DestinationFields } from '../../ui/parts/DestinationFields';
import { GuitarFields } from '../../ui/parts/GuitarFields';
import { CableFields } from '../../ui/parts/CableFields';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { PartField, PartFields, type FieldsOf } from '../../ui/parts/PartFields';
import type { FieldsProps, PartActions } from '../../ui/parts/partActions';
import { TextLine } from '../../ui/parts/TextLine';

interface Props {
  readonly item: GearItem;
  readonly units: UnitSystem;
  readonly onEdit: (edit: ItemEdit) => void;
}

/** Every number of an entry, edited where it is seen. */
export function FieldsOfItem({ item, units, onEdit }: Props) {
  const actions = useMemo<PartActions>(
    () => ({
      edit: (edit) => {
        const change = asItemEdit(edit);
        if (change) onEdit(change);
      },
    }),
    [onEdit],
  );
  const shared = { units, actions } as const;
  switch (item.kind) {
    case 'guitar':
      return <GuitarFields guitar={item.thing} {...shared} />;
    case 'cable':
      return <CableFields cable={item.thing} {...shared} />;
    case 'destination':
      return (
        <>
          <DestinationFields destination={item.thing} {...shared} />
          {item.thing.kind === 'amp' && (
            <PanelGroup title="Effects loop">
              <EffectsLoopFields destination={item.thing} {...shared} />
            </PanelGroup>
          )}
        </>
      );
    case 'device':
      return <DeviceOfItem device={item.thing} {...shared} />;
    default:
      return <PlainForm item={item} {...shared} />;
  }
}

/** What a rig's edit means for a single thing. */
function asItemEdit(edit: Edit): ItemEdit | null {
  switch (edit.kind) {
    case 'set':
    case 'choose':
      return edit.kind === 'set'
        ? { kind: 'set', field: edit.field, to: edit.to }
        : { kind: 'choose', field: edit.field, to: edit.to };
    case 'replace':
      return { kind: 'replace', to: edit.part.to };
    default:
      return null;
  }
}

const POLARITIES: readonly (readonly [Polarity, string])[] = [
  ['centreNegative', 'minus in the middle'],
  ['centrePositive', 'plus in the middle'],
  ['ac', 'AC'],
  ['none', 'no supply'],
];

const SIDES: readonly (readonly [CaseSide, string])[] = [
  ['right', 'right'],
  ['left', 'left'],
  ['top', 'top'],
  ['front', 'front'],
];

function DeviceOfItem({ device, ...shared }: FieldsProps & { readonly device: Device }) {
  const { actions } = shared;
  const replace = (to: Device) => actions.edit({ kind: 'replace', part: { of: 'device', to } });
  return (
    <>
      <DeviceOnFields device={device} {...shared} />
      <DeviceJacks device={device} actions={actions} onReshape={replace} />
      <DeviceOffFields device={device} {...shared} />
      {device.body ? (
        <BodyFields device={device} {...shared} onReplace={replace} />
      ) : (
        <Button size="small" onClick={() => replace({ ...device, body: typicalBody() })}>
          Say its size, jacks and supply
        </Button>
      )}
    </>
  );
}

interface BodyProps extends FieldsProps {
  readonly device: Device;
  readonly onReplace: (to: Device) => void;
}

const SIZE: FieldsOf<'device'> = [
  ['body.widthM', 'Width'],
  ['body.depthM', 'Depth'],
  ['body.heightM', 'Height'],
];
const SUPPLY: FieldsOf<'device'> = [
  ['body.supplyV', 'Voltage'],
  ['body.supplyA', 'Current'],
];

function BodyFields({ device, units, actions, onReplace }: BodyProps) {
  const body = device.body!;
  const choice = { device, actions };
  const shared = {
    part: device,
    of: 'device',
    id: device.id,
    units,
    actions,
    assumedFrom: 'a case of the usual size',
  } as const;
  return (
    <>
      <PanelGroup title="Case and jacks">
        <PartFields {...shared} fields={SIZE} />
        <BodyChoice {...choice} field="inputAt" label="Input at" options={SIDES} />
        <BodyChoice {...choice} field="outputAt" label="Output at" options={SIDES} />
      </PanelGroup>
      <PanelGroup title="Supply">
        <PartFields {...shared} fields={SUPPLY} />
        <BodyChoice {...choice} field="polarity" label="Polarity" options={POLARITIES} />
        <BodyChoice {...choice} field="powerAt" label="Socket at" options={SIDES} />
      </PanelGroup>
      <TextLine
        label="How it fails"
        value={body.fails}
        onChange={(fails) => onReplace({ ...device, body: { ...body, fails } })}
      />
    </>
  );
}

interface BodyChoiceProps extends Pick<BodyProps, 'device' | 'actions'> {
  readonly field: 'inputAt' | 'outputAt' | 'powerAt' | 'polarity';
  readonly label: string;
  readonly options: readonly (readonly [string, string])[];
}

function BodyChoice({ device, actions, field, label, options }: BodyChoiceProps) {
  const target = { of: 'device', id: device.id } as const;
  return (
    <ChoiceField
      label={label}
      value={device.body![field]}
      options={options}
      onChange={(to) => actions.edit({ kind: 'choose', target, field: `body.${field}`, to })}
    />
  );
}

/** A kind without a form of its own: its lines one below the other. */
function PlainForm({ item, units, actions }: FieldsProps & { readonly item: GearItem }) {
  const { kind, thing } = item;
  const { form, numbers, assumedFrom } = gearOf(kind);
  const choose = (field: string, to: string | boolean) =>
    actions.edit({ kind: 'choose', target: { of: 'device', id: thing.id }, field, to });
  return form?.map(({ path, label, words }) =>
    words ? (
      <ChoiceField
        key={path}
        label={label}
        value={String(readNumber(thing, path))}
        options={words.map(([word, says]) => [String(word), says] as const)}
        onChange={(to) => choose(path, words.find(([word]) => String(word) === to)![0])}
      />
    ) : (
      <PartField
        key={path}
        of={kind}
        id={thing.id}
        path={path}
        rule={numbers[path]!}
        label={label}
        value={readNumber(thing, path)!}
        units={units}
        actions={actions}
        assumedFrom={assumedFrom(thing)}
      />
    ),
  );
}
