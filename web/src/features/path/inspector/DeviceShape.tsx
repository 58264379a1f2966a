import {
  aimSide,
  allDevices,
  linkSwitch,
  MOST_LOOPS,
  nameSwitch,
  reshapeDevice,
  switchesOf,
  switchesOfDevice,
  type Device,
  type PowerLost,
  type Rig,
} from '@gullwind/core';
import { Disclosure } from '../../../ui/Disclosure';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import type { PanelProps } from './panelProps';

const POWER_LOST: readonly (readonly [PowerLost, string])[] = [
  ['bypass', 'lets through'],
  ['silence', 'is silent'],
];

type ShapeProps = Pick<PanelProps, 'rig' | 'actions'> & { readonly device: Device };

/** What else than one jack in and one out it has. */
export function DeviceShape({ device, rig, actions }: ShapeProps) {
  const reshape = (change: Partial<Device>) =>
    actions.edit(reshapeDevice(rig, { ...device, ...change }));
  const canInsert = device.insert !== 'switched' && device.bypass !== 'passive';
  return (
    <>
      {device.insert === 'switched' && (
        <>
          <ChoiceField
            label="Loops"
            value={String(device.loops)}
            options={Array.from(
              { length: MOST_LOOPS },
              (_, k) => [`${k + 1}`, `${k + 1}`] as const,
            )}
            onChange={(to) => reshape({ loops: Number(to) })}
          />
          <ChoiceField
            label="Buffers"
            value={`${device.bufferIn}${device.bufferOut}`}
            options={[
              ['falsefalse', 'none'],
              ['truefalse', 'at the input'],
              ['falsetrue', 'at the output'],
              ['truetrue', 'at both'],
            ]}
            onChange={(to) =>
              reshape({ bufferIn: to.startsWith('true'), bufferOut: to.endsWith('true') })
            }
          />
        </>
      )}
      {canInsert && (
        <ChoiceField
          label="Send and return"
          value={device.insert === 'own' ? 'own' : 'none'}
          options={[
            ['none', 'none'],
            ['own', 'its own, around its loop'],
          ]}
          onChange={(insert) => reshape({ insert, loops: insert === 'own' ? 1 : 0 })}
        />
      )}
      <ChoiceField
        label="Side jack"
        value={device.sideJack}
        options={[
          ['none', 'none'],
          ['passive', 'on the line itself'],
          ['buffered', 'with an output of its own'],
        ]}
        onChange={(sideJack) => reshape({ sideJack })}
      />
      <SideGoal device={device} rig={rig} actions={actions} />
      {device.bypass !== 'passive' || device.insert === 'switched' ? (
        <ChoiceField
          label="Without power"
          value={device.powerLost}
          options={POWER_LOST}
          onChange={(to) =>
            actions.edit({
              kind: 'choose',
              target: { of: 'device', id: device.id },
              field: 'powerLost',
              to,
            })
          }
        />
      ) : null}
    </>
  );
}

const NEW_END = 'an end of its own';

/** Where what leaves by the side jack goes: to its own end, or to the key input of a gate. */
function SideGoal({ device, rig, actions }: ShapeProps) {
  const row = rig.rows.find(({ at }) => at.kind === 'side' && at.device === device.id);
  if (row?.at.kind !== 'side') return null;
  const { to } = row.at;
  const gates = allDevices(rig).filter(({ id, insert }) => insert === 'own' && id !== device.id);
  if (gates.length === 0 && to.kind === 'end') return null;
  const own = to.kind === 'end' ? rig.ends.find(({ id }) => id === to.end)!.name : NEW_END;
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
  rig.links.find((link) => link.includes(id))?.find((other) => !own.includes(other));
