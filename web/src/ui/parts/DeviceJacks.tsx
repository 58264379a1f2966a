import { MOST_LOOPS, type Device, type PowerLost } from '@gullwind/core';
import { ChoiceField } from './ChoiceField';
import type { PartActions } from './partActions';

const POWER_LOST: readonly (readonly [PowerLost, string])[] = [
  ['bypass', 'lets through'],
  ['silence', 'is silent'],
];

interface Props {
  readonly device: Device;
  readonly actions: PartActions;
  /** Another shape needs other rows where it stands in a rig. */
  readonly onReshape: (to: Device) => void;
}

/** What else than one jack in and one out it has. */
export function DeviceJacks({ device, actions, onReshape }: Props) {
  const reshape = (change: Partial<Device>) => onReshape({ ...device, ...change });
  const target = { of: 'device', id: device.id } as const;
  const canInsert = device.insert !== 'switched' && device.bypass !== 'passive';
  return (
    <>
      {device.insert === 'switched' && <LoopFields device={device} reshape={reshape} />}
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
      {device.bypass !== 'passive' || device.insert === 'switched' ? (
        <ChoiceField
          label="Without power"
          value={device.powerLost}
          options={POWER_LOST}
          onChange={(to) => actions.edit({ kind: 'choose', target, field: 'powerLost', to })}
        />
      ) : null}
    </>
  );
}

const BUFFERS = [
  ['falsefalse', 'none'],
  ['truefalse', 'at the input'],
  ['falsetrue', 'at the output'],
  ['truetrue', 'at both'],
] as const;

interface LoopFieldsProps {
  readonly device: Device;
  readonly reshape: (change: Partial<Device>) => void;
}

/** How many loops a switcher has, and whether it drives what is before and after them. */
function LoopFields({ device, reshape }: LoopFieldsProps) {
  return (
    <>
      <ChoiceField
        label="Loops"
        value={String(device.loops)}
        options={Array.from({ length: MOST_LOOPS }, (_, k) => [`${k + 1}`, `${k + 1}`] as const)}
        onChange={(to) => reshape({ loops: Number(to) })}
      />
      <ChoiceField
        label="Buffers"
        value={`${device.bufferIn}${device.bufferOut}`}
        options={BUFFERS}
        onChange={(to) =>
          reshape({ bufferIn: to.startsWith('true'), bufferOut: to.endsWith('true') })
        }
      />
    </>
  );
}
