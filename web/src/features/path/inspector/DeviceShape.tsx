import {
  aimSide,
  allDevices,
  linkSwitch,
  nameSwitch,
  reshapeDevice,
  switchesOf,
  switchesOfDevice,
  type Device,
  type Rig,
} from '@gullwind/core';
import { Disclosure } from '../../../ui/Disclosure';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { DeviceJacks } from '../../../ui/parts/DeviceJacks';
import type { PanelProps } from './panelProps';

type ShapeProps = Pick<PanelProps, 'rig' | 'actions'> & { readonly device: Device };

/** What else than one jack in and one out it has, and where what leaves by the side goes. */
export function DeviceShape({ device, rig, actions }: ShapeProps) {
  return (
    <>
      <DeviceJacks
        device={device}
        actions={actions}
        onReshape={(to) => actions.edit(reshapeDevice(rig, to))}
      />
      <SideGoal device={device} rig={rig} actions={actions} />
    </>
  );
}

const NEW_DESTINATION = 'an end of its own';

/** Where what leaves by the side jack goes: to its own end, or to the key input of a gate. */
function SideGoal({ device, rig, actions }: ShapeProps) {
  const row = rig.electrical.rows.find(({ at }) => at.kind === 'side' && at.device === device.id);
  if (row?.at.kind !== 'side') return null;
  const { to } = row.at;
  const gates = allDevices(rig).filter(({ id, insert }) => insert === 'own' && id !== device.id);
  if (gates.length === 0 && to.kind === 'destination') return null;
  const own =
    to.kind === 'destination'
      ? rig.electrical.destinations.find(({ id }) => id === to.destination)!.name
      : NEW_DESTINATION;
  return (
    <ChoiceField
      label="It goes to"
      value={to.kind === 'key' ? to.device : ''}
      options={[['', own], ...gates.map(({ id, name }) => [id, `the key of ${name}`] as const)]}
      onChange={(key) => actions.edit(aimSide(rig, row, key === '' ? null : key))}
    />
  );
}

/** Which other switch each of its switches goes with. */
export function LinkedSwitches({ device, rig, actions }: ShapeProps) {
  const own = switchesOfDevice(device);
  const others = switchesOf(rig).filter((id) => !own.includes(id));
  if (others.length === 0) return null;
  const fields = own.map((id) => (
    <ChoiceField
      key={id}
      label={id === device.id ? 'Switches with' : `Loop ${loopNumber(id)} switches with`}
      value={partnerOf(rig, id, own) ?? ''}
      options={[['', 'nothing else'], ...others.map((k) => [k, nameSwitch(rig, k)] as const)]}
      onChange={(other) => actions.edit(linkSwitch(rig, id, other === '' ? null : other))}
    />
  ));
  return own.length > 1 ? <Disclosure title="Linked switches">{fields}</Disclosure> : fields;
}

const loopNumber = (id: string): number => Number(id.split('.')[1]) + 1;

const partnerOf = (rig: Rig, id: string, own: readonly string[]): string | undefined =>
  rig.electrical.links.find((link) => link.includes(id))?.find((other) => !own.includes(other));
