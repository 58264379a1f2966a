import type { Device } from './device';
import type { Destination } from './destination';
import type { Board, Mount, Plug } from './fittings';
import type { Fixture } from './fixture';
import type { Guitar } from './guitar';
import type { Cable } from './cable';
import type { Adaptor, Supply } from './supply';

/** What the gear list holds, by kind. The first four stand in rigs. */
export interface Things {
  readonly guitar: Guitar;
  readonly device: Device;
  readonly cable: Cable;
  readonly destination: Destination;
  readonly plug: Plug;
  readonly supply: Supply;
  readonly adaptor: Adaptor;
  readonly board: Board;
  readonly fixture: Fixture;
  readonly mount: Mount;
}

export type GearKind = keyof Things;
export type RigKind = 'guitar' | 'device' | 'cable' | 'destination';

/** What people choose by that the signal does not feel. Null or empty is unknown. */
export interface Qualities {
  /** In the workshop's own money; of a reel, for a metre. */
  readonly price: number | null;
  readonly supplier: string;
  /** Of a cable. */
  readonly form: 'madeUp' | 'reel' | null;
  readonly stiffness: 'soft' | 'medium' | 'stiff' | null;
  readonly ruggedness: 'delicate' | 'sturdy' | 'roadworthy' | null;
  readonly shield: 'spiral' | 'braid' | 'foil' | 'doubleBraid' | 'plastic' | null;
}

export const NO_QUALITIES: Qualities = {
  price: null,
  supplier: '',
  form: null,
  stiffness: null,
  ruggedness: null,
  shield: null,
};

export const HIGHEST_PRICE = 1e6;
/** Ids of entries: 2 to 64 small letters, digits and hyphens, a letter first. */
export const GEAR_ID = /^[a-z][a-z0-9-]{1,63}$/u;
export const MOST_ID = 64;

/** An entry of the gear list: a thing to put in a rig, by value. */
export type GearItem = { readonly [K in GearKind]: ItemOf<K> }[GearKind];

export interface ItemOf<K extends GearKind> {
  readonly id: string;
  readonly kind: K;
  readonly note: string;
  readonly thing: Things[K];
  readonly qualities: Qualities;
  /** Not offered any more; rigs that have it keep it. */
  readonly retired: boolean;
}

export type RigItem = Extract<GearItem, { kind: RigKind }>;

/** An entry with nothing said about it but what it is. */
export const gearItem = <K extends GearKind>(
  id: string,
  kind: K,
  thing: Things[K],
  note = '',
): Extract<GearItem, { kind: K }> =>
  ({ id, kind, note, thing, qualities: NO_QUALITIES, retired: false }) as unknown as Extract<
    GearItem,
    { kind: K }
  >;

/** Cable by the metre: cut to any length up to its own. Anything else is a made-up piece, as long as it is. */
export const isReel = ({ qualities }: ItemOf<'cable'>): boolean => qualities.form === 'reel';
