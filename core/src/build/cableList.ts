import { connectionsOf, plugNameOf, type Connection } from '../board';
import { nameCable } from '../figures';
import { isReel, type GearItem } from '../gear';
import { formatQuantity, type UnitSystem } from '../quantity';
import { allDevices, findCable, type Rig, type Row } from '../rig';
import { placeWord } from './placeWord';

/// Every cable of a rig as something to be made: its label, from jack to jack, its length, its plugs.

export type CableKind = 'audio' | 'dc' | 'control';

export interface BuildCable {
  readonly id: string;
  /** The same at both ends: A1, A2 … for audio, D1 … for DC, M1 … for what else there is. */
  readonly label: string;
  readonly kind: CableKind;
  /** Colour of the boots at both ends, in a word: neighbours differ. */
  readonly boot: string;
  /** What it carries, in a word. */
  readonly carries: Connection['carries'];
  readonly from: string;
  readonly to: string;
  /** What it is made of, or what it is. */
  readonly stock: string;
  /** The entry of the gear list that it is cut from, where that is known. */
  readonly gear: string | null;
  readonly lengthM: number;
  /** With what is stripped at both ends; 0 where nothing is cut. */
  readonly cutM: number;
  readonly plugs: readonly [string, string];
  /** It is bought as it is. */
  readonly isBought: boolean;
  /** What it must still be when it is done: another one, and it is made again. */
  readonly fingerprint: string;
  /** From where to where it lies, in a word: another one, and it is laid again. */
  readonly lies: string;
}

/** Its length as it is measured off: short ones in mm, long ones in m. */
export const sayCableM = (m: number, units: UnitSystem): string =>
  formatQuantity(m, m < 2 ? 'size' : 'length', units);

/** What goes into the plugs, at both ends together, m. */
const STRIPPED_M = 0.02;

const JACK_WORDS = {
  in: 'in',
  out: 'out',
  side: 'side',
  send: 'send',
  return: 'return',
  power: 'DC',
  midi: 'MIDI',
  control: 'control',
  expression: 'expression',
  usb: 'USB',
} as const;

/** Told apart in dim light, and each has a name. */
const BOOTS = ['white', 'blue', 'yellow', 'black', 'green', 'grey', 'red', 'brown'] as const;

const LETTER = { audio: 'A', dc: 'D', control: 'M' } as const;

const kindOf = ({ carries }: Connection): CableKind =>
  carries === 'audio' || carries === 'dc' ? carries : 'control';

/** Audio in the order of the rows, then DC, then the others. */
export function cableList(rig: Rig, gear: readonly GearItem[] = []): readonly BuildCable[] {
  const counts = { audio: 0, dc: 0, control: 0 };
  const order = ['audio', 'dc', 'control'] as const;
  return [...connectionsOf(rig)]
    .sort((a, b) => order.indexOf(kindOf(a)) - order.indexOf(kindOf(b)))
    .map((connection) => {
      const nth = ++counts[kindOf(connection)];
      return oneCable(rig, gear, connection, nth);
    });
}

function oneCable(
  rig: Rig,
  gear: readonly GearItem[],
  connection: Connection,
  nth: number,
): BuildCable {
  const { id, carries, lengthM, from, to } = connection;
  const kind = kindOf(connection);
  const isBought = isBoughtReady(rig, gear, connection);
  const plugs = [plugNameOf(rig, connection, 'from'), plugNameOf(rig, connection, 'to')] as const;
  const ends = [endWords(rig, connection, 'from'), endWords(rig, connection, 'to')] as const;
  const roundM = Math.round(lengthM * 1000) / 1000;
  const isCut = !isBought && kind !== 'control';
  return {
    id,
    label: `${LETTER[kind]}${nth}`,
    kind,
    boot: BOOTS[(nth - 1) % BOOTS.length]!,
    carries,
    from: ends[0],
    to: ends[1],
    stock: stockOf(rig, connection),
    gear: findCable(rig, id)?.gear ?? null,
    lengthM: roundM,
    cutM: isCut ? Math.round((roundM + STRIPPED_M) * 1000) / 1000 : 0,
    plugs,
    isBought,
    fingerprint: [jackKey(from), jackKey(to), Math.round(lengthM * 1000), ...plugs].join('|'),
    lies: [from, to].map((jack) => (jack ? placeWord(rig, jack.thing) : 'out')).join('-'),
  };
}

const jackKey = (jack: Connection['from']): string =>
  jack ? `${jack.thing} ${jack.kind} ${jack.nth}` : 'beside';

/** Cables of the list that are no reels, and all that is neither audio nor DC. */
function isBoughtReady(rig: Rig, gear: readonly GearItem[], { id, carries }: Connection): boolean {
  if (carries === 'dc') return rig.build.ways.dcEnds === 'asBought';
  if (carries !== 'audio') return true;
  const of = findCable(rig, id)?.gear;
  if (of === undefined) return false;
  const item = gear.find((one) => one.id === of);
  return item?.kind !== 'cable' || !isReel(item);
}

function stockOf(rig: Rig, { id, carries, name }: Connection): string {
  if (carries === 'audio') return findCable(rig, id)?.name || 'patch cable';
  return carries === 'dc' ? 'DC cable' : name;
}

function endWords(rig: Rig, connection: Connection, end: 'from' | 'to'): string {
  const jack = connection[end];
  if (!jack) {
    const name = connection.carries === 'audio' ? nameCable(rig, connection.id) : connection.name;
    return connection.carries === 'audio' ? otherEnd(rig, connection.id, end, name) : name;
  }
  const { fixtures } = rig.layout;
  const thing = [...allDevices(rig), ...fixtures, ...rig.power.supplies].find(
    ({ id }) => id === jack.thing,
  );
  const isOutlet = rig.power.supplies.some(({ id }) => id === jack.thing);
  const words = isOutlet ? `outlet ${jack.nth + 1}` : JACK_WORDS[jack.kind];
  const nth = !isOutlet && jack.nth > 0 ? ` ${jack.nth + 1}` : '';
  return `${thing?.name ?? jack.thing}, ${words}${nth}`;
}

/** A guitar or an amp at the end of a row. */
function otherEnd(rig: Rig, cable: string, end: 'from' | 'to', name: string): string {
  const { rows, guitars, destinations } = rig.electrical;
  const row = rows.find(({ cables }) => cables.some((one) => one?.id === cable));
  const id = row && (end === 'from' ? beginOf(rig, row) : endOf(rig, row));
  return [...guitars, ...destinations].find((one) => one.id === id)?.name ?? name;
}

function beginOf({ electrical }: Rig, { at }: Row): string | undefined {
  if (at.kind === 'guitar') return at.guitar;
  return at.kind === 'ampLoop' ? at.destination : electrical.guitars[0]?.id;
}

function endOf({ electrical }: Rig, { at }: Row): string | undefined {
  if (at.kind === 'ampLoop') return at.destination;
  const isAside = at.kind === 'side' && at.to.kind === 'destination';
  return isAside ? (at.to as { destination: string }).destination : electrical.destinations[0]?.id;
}
