import {
  gearOf,
  readNumber,
  resized,
  spaceSlats,
  typicalBody,
  typicalSupplyCase,
  type Board,
  type Case,
  type Device,
  type Edit,
  type GearItem,
  type ItemEdit,
  type UnitSystem,
} from '@gullwind/core';
import { Button } from '@mui/material';
import { useMemo } from 'react';
import { BoardLines, CaseLines, OutletLines } from '../../ui/parts/PlaceLines';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { DeviceOffFields, DeviceOnFields } from '../../ui/parts/DeviceFields';
import { DeviceJacks } from '../../ui/parts/DeviceJacks';
import { EffectsLoopFields, DestinationFields } from '../../ui/parts/DestinationFields';
import { NeedChoices } from '../../ui/parts/NeedChoices';
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
        const change = asItemEdit(item, edit);
        if (change) onEdit(change);
      },
    }),
    [item, onEdit],
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
function asItemEdit({ thing }: GearItem, edit: Edit): ItemEdit | null {
  switch (edit.kind) {
    case 'set':
      return resizedPart(thing, edit) ?? { kind: 'set', field: edit.field, to: edit.to };
    case 'choose':
      return { kind: 'choose', field: edit.field, to: edit.to };
    case 'replace':
      return { kind: 'replace', to: edit.part.to };
    default:
      return null;
  }
}

/** Of a case or board that nobody has measured, jacks, switches and slats move with its size. */
function resizedPart(
  thing: GearItem['thing'],
  { field, to }: Extract<Edit, { kind: 'set' }>,
): ItemEdit | null {
  const { body, slats, placesFrom } = thing as Partial<Board> & { readonly body?: Case };
  const size = field.replace('body.', '');
  if (size !== 'widthM' && size !== 'depthM') return null;
  if (body && field !== size)
    return { kind: 'replace', to: { ...thing, body: resized(body, { [size]: to }) } as never };
  return slats && placesFrom === 'assumed' && size === 'depthM'
    ? { kind: 'replace', to: { ...thing, depthM: to, slats: spaceSlats(to.value) } as never }
    : null;
}

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
        <Button size="small" onClick={() => replace({ ...device, body: typicalBody(device) })}>
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
  ['body.massKg', 'Mass'],
];
const SUPPLY: FieldsOf<'device'> = [
  ['body.supplyV', 'Voltage'],
  ['body.supplyMaxV', 'Up to'],
  ['body.supplyA', 'Current, at most'],
  ['body.idleA', 'At rest'],
];

/** What its power jack wants. */
function NeedFields({ device, units, actions, onReplace }: BodyProps) {
  const body = device.body!;
  const choose = (field: string, to: string) =>
    actions.edit({ kind: 'choose', target: { of: 'device', id: device.id }, field, to });
  return (
    <PanelGroup title="Supply">
      <PartFields
        part={device}
        of="device"
        id={device.id}
        units={units}
        actions={actions}
        assumedFrom="a pedal of its class"
        fields={SUPPLY}
      />
      <NeedChoices need={body} onChoose={choose} />
      <TextLine
        label="At another voltage"
        value={body.powerNote}
        onChange={(powerNote) => onReplace({ ...device, body: { ...body, powerNote } })}
      />
    </PanelGroup>
  );
}

function BodyFields({ device, units, actions, onReplace }: BodyProps) {
  const body = device.body!;
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
        <CaseLines
          kind="device"
          body={body}
          units={units}
          onChange={(to) => onReplace({ ...device, body: { ...body, ...to } })}
        />
      </PanelGroup>
      <NeedFields device={device} units={units} actions={actions} onReplace={onReplace} />
      <TextLine
        label="How it fails"
        value={body.fails}
        onChange={(fails) => onReplace({ ...device, body: { ...body, fails } })}
      />
    </>
  );
}

/** A kind without a form of its own: its lines one below the other. */
function PlainForm({ item, units, actions }: FieldsProps & { readonly item: GearItem }) {
  const { kind, thing } = item;
  const { form, numbers, assumedFrom } = gearOf(kind);
  const choose = (field: string, to: string | boolean) =>
    actions.edit({ kind: 'choose', target: { of: 'device', id: thing.id }, field, to });
  const lines = form?.map(({ path, label, words }) =>
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
  return (
    <>
      {lines}
      <PlacesOfItem item={item} units={units} actions={actions} />
    </>
  );
}

const CASE_FORM = [
  ['body.widthM', 'Width'],
  ['body.depthM', 'Depth'],
  ['body.heightM', 'Height'],
  ['body.massKg', 'Mass'],
] as const;

/** Jacks, switches, slats and openings of a thing without a form of its own. */
function PlacesOfItem({ item, units, actions }: FieldsProps & { readonly item: GearItem }) {
  const replace = (to: object) =>
    actions.edit({ kind: 'replace', part: { to } } as unknown as Edit);
  const { kind, thing } = item;
  if (kind === 'board')
    return (
      <BoardLines board={thing} units={units} onChange={(to) => replace({ ...thing, ...to })} />
    );
  if (kind === 'supply' && !thing.body)
    return (
      <>
        <OutletLines supply={thing} units={units} onChange={(to) => replace({ ...thing, ...to })} />
        <Button size="small" onClick={() => replace({ ...thing, body: typicalSupplyCase(thing) })}>
          Say its size and jacks
        </Button>
      </>
    );
  if (kind !== 'fixture' && kind !== 'supply') return null;
  const body = thing.body!;
  return (
    <>
      {kind === 'supply' && (
        <OutletLines supply={thing} units={units} onChange={(to) => replace({ ...thing, ...to })} />
      )}
      {kind === 'supply' &&
        CASE_FORM.map(([path, label]) => (
          <PartField
            key={path}
            of="supply"
            id={thing.id}
            path={path}
            rule={gearOf('supply').numbers[path]!}
            label={label}
            value={readNumber(thing, path)!}
            units={units}
            actions={actions}
            assumedFrom="a supply of the usual size"
          />
        ))}
      <CaseLines
        kind={kind}
        body={body}
        units={units}
        onChange={(to) => replace({ ...thing, body: { ...body, ...to } })}
      />
    </>
  );
}
