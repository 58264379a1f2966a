import { bodyOf, isQuietClass, type GroundPole, type PowerNeed } from '../gear';
import { halvesOf } from '../board';
import { allDevices, rememberPair, type Rig } from '../rig';

/// What in a rig wants feeding.

export interface Consumer {
  readonly id: string;
  readonly name: string;
  readonly need: PowerNeed;
  /** Nobody has said what it wants: it is as usual for its class. */
  readonly isAssumed: boolean;
  /** It leaves others on its outlet in peace. */
  readonly isQuiet: boolean;
  /** In the chain: without power it may fall silent. */
  readonly isDevice: boolean;
}

type Fed = Pick<Rig, 'electrical' | 'layout' | 'power'>;

const ofParts = rememberPair(
  (electrical: Rig['electrical'], fixtures: Rig['layout']['fixtures']): readonly Consumer[] => {
    const second = halvesOf({ electrical });
    const devices = allDevices({ electrical })
      .filter(({ id }) => !second.has(id))
      .map((device): Consumer => ({
        id: device.id,
        name: device.name,
        need: bodyOf(device),
        isAssumed: bodyOf(device).supplyA.from === 'assumed',
        isQuiet: isQuietClass(device.deviceClass),
        isDevice: true,
      }));
    const others = fixtures.map(({ id, name, body }): Consumer => ({
      id,
      name,
      need: body,
      isAssumed: body.supplyA.from === 'assumed',
      isQuiet: false,
      isDevice: false,
    }));
    return [...devices, ...others].filter(({ need }) => need.polarity !== 'none');
  },
);

/** Devices in the order of the chain, then fixtures; a pedal in four cables once. */
export const consumersOf = ({ electrical, layout }: Fed): readonly Consumer[] =>
  ofParts(electrical, layout.fixtures);

/** Whether it must not share, whatever the habits are. */
export const isApart = ({ power }: Pick<Rig, 'power'>, { id }: Pick<Consumer, 'id'>): boolean =>
  power.apart.includes(id);

/** Whether the audio grounds of two things on one ground would be a short. */
export const polesDiffer = (one: GroundPole, other: GroundPole): boolean =>
  one !== 'floating' && other !== 'floating' && one !== other;
