import type { Cable, Device, Guitar } from '../gear';
import type { Electrical, Row } from './electrical';
import { remember } from './remember';
import type { SwitchState } from './switchState';

/** A rig as the signal meets it: what is computed with. */
export interface Chain {
  readonly electrical: Electrical;
  readonly state: SwitchState;
}

type Rowed = { readonly electrical: Pick<Electrical, 'rows'> };

const devicesIn = remember((rows: Electrical['rows']) => rows.flatMap(({ devices }) => devices));
const cablesIn = remember((rows: Electrical['rows']) =>
  rows.flatMap(({ cables }) => cables.filter((cable) => cable !== null)),
);

export const mainRow = ({ electrical }: Rowed): Row => electrical.rows[0]!;

export const allDevices = ({ electrical }: Rowed): readonly Device[] => devicesIn(electrical.rows);
export const allCables = ({ electrical }: Rowed): readonly Cable[] => cablesIn(electrical.rows);

export const findDevice = (chain: Rowed, id: string): Device | undefined =>
  allDevices(chain).find((device) => device.id === id);

export const findCable = (chain: Rowed, id: string): Cable | undefined =>
  allCables(chain).find((cable) => cable.id === id);

/** The row a device stands in. */
/** How much audio cable is as laid on boards, m. */
export const laidOf = (rig: Rowed): number =>
  allCables(rig).reduce(
    (sum, { lengthM }) => (lengthM.from === 'laid' ? sum + lengthM.value : sum),
    0,
  );

export const rowOf = ({ electrical }: Rowed, deviceId: string): Row | undefined =>
  electrical.rows.find(({ devices }) => devices.some(({ id }) => id === deviceId));

/** A copy with some of its electrical part replaced; all else stays the same by identity. */
export const withElectrical = <C extends { readonly electrical: Electrical }>(
  chain: C,
  change: Partial<Electrical>,
): C => ({ ...chain, electrical: { ...chain.electrical, ...change } });

const chains = remember((_: Electrical) => new WeakMap<SwitchState, Chain>());

/** The chain of a rig: the same one, by identity, as long as neither part of it is another. */
export function chainOf({ electrical, state }: Chain): Chain {
  const known = chains(electrical);
  let chain = known.get(state);
  if (!chain) known.set(state, (chain = { electrical, state }));
  return chain;
}

/** The guitar that plays, or the first one while none does. */
export const playingGuitar = ({ electrical: { guitars }, state }: Chain): Guitar =>
  guitars.find(({ id }) => id === state.playing) ?? guitars[0]!;

/** A scene may name a guitar that is out of the rig by now: the first one plays instead. */
export function knownState({ electrical: { guitars } }: Chain, state: SwitchState): SwitchState {
  const isKnown = state.playing === null || guitars.some(({ id }) => id === state.playing);
  return isKnown ? state : { ...state, playing: guitars[0]!.id };
}

export const isEngaged = ({ state }: Chain, device: Device): boolean =>
  device.bypass === 'alwaysOn' || state.positions[device.id] === true;

/** All that the mains feed: what is without power when they fail. */
export const withoutMains = (chain: Chain): readonly string[] =>
  allDevices(chain).map(({ id }) => id);
