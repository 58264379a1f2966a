import { layBoard } from '../board';
import type { Guitar } from '../gear';
import { nameSwitch } from '../figures';
import {
  allDevices,
  findDevice,
  hasSwitch,
  mainRow,
  switchesOfDevice,
  type Rig,
  type Scene,
  type Song,
} from '../rig';

/// The evening, song by song: what is taken in hand, what the foot does, and how far it goes.

export interface Cue {
  readonly song: Song;
  readonly guitar: Guitar;
  /** Another one than in the song before. */
  readonly isChange: boolean;
  /** Null where nobody has named one yet. */
  readonly scene: Scene | null;
  /** A guitar or scene that the song names and the rig does not have any more. */
  readonly missing: readonly string[];
  /** Switches to press, in the order of the shortest way of the foot. */
  readonly presses: readonly string[];
  /** From the first switch to the last, on the board, m; null where one of them stands nowhere. */
  readonly travelM: number | null;
}

export interface CueSheet {
  readonly cues: readonly Cue[];
  readonly presses: number;
  readonly travelM: number;
  /** What mutes while a guitar is changed, by name; null where nothing does. */
  readonly kill: string | null;
  /** Presses and metres that a switcher would save; null where there is one, or nothing to save. */
  readonly switcher: { readonly presses: number; readonly travelM: number } | null;
}

/** Devices that mute while they are on; the first of the main way serves. */
const killOf = (rig: Rig) =>
  mainRow(rig).devices.find((device) => device.mutes && hasSwitch(device)) ?? null;

interface Stand {
  readonly guitar: Guitar;
  readonly scene: Scene | null;
}

/** The cue sheet of a rig: what is on before the first song is the first song's own. */
export function cueSheetOf(rig: Rig): CueSheet {
  const { guitars, scenes } = rig.electrical;
  const kill = killOf(rig);
  const feet = switchPlaces(rig);
  let stand: Stand = { guitar: guitars[0]!, scene: null };
  const cues = rig.book.songs.map((song, i): Cue => {
    const named = {
      guitar: guitars.find(({ id }) => id === song.guitar),
      scene: scenes.find(({ id }) => id === song.scene),
    };
    const next: Stand = { guitar: named.guitar ?? stand.guitar, scene: named.scene ?? stand.scene };
    const isChange = i > 0 && next.guitar.id !== stand.guitar.id;
    const wanted = i === 0 ? [] : pressed(rig, stand, next);
    // Silent first, and heard again when the other one hangs on its strap.
    const around = isChange && kill && !wanted.includes(kill.id) ? [kill.id] : [];
    const { order, travelM } = shortest([...around, ...wanted], feet);
    stand = next;
    return {
      song,
      guitar: next.guitar,
      isChange,
      scene: next.scene,
      missing: [
        ...(song.guitar !== null && !named.guitar ? ['its guitar'] : []),
        ...(song.scene !== null && !named.scene ? ['its scene'] : []),
      ],
      presses: [...order, ...around].map((id) => nameSwitch(rig, id)),
      travelM,
    };
  });
  return { cues, kill: kill?.name ?? null, ...totals(rig, cues) };
}

function totals(
  rig: Rig,
  cues: readonly Cue[],
): Pick<CueSheet, 'presses' | 'travelM' | 'switcher'> {
  const presses = cues.reduce((sum, cue) => sum + cue.presses.length, 0);
  const travelM = cues.reduce((sum, cue) => sum + (cue.travelM ?? 0), 0);
  const hasOne = allDevices(rig).some(({ insert }) => insert === 'switched');
  const saved = presses - cues.filter((cue) => cue.presses.length > 0).length;
  return {
    presses,
    travelM,
    switcher: hasOne || saved <= 0 ? null : { presses: saved, travelM },
  };
}

/** Switches that stand otherwise in the next scene; those that act together are one press. */
function pressed(rig: Rig, before: Stand, after: Stand): readonly string[] {
  const selector = mainRow(rig).devices.find(({ deviceClass }) => deviceClass === 'selector');
  const selects = selector && before.guitar.id !== after.guitar.id ? [selector.id] : [];
  if (!before.scene || !after.scene) return selects;
  const [then, now] = [before.scene.state.positions, after.scene.state.positions];
  const all = allDevices(rig).flatMap((device) => switchesOfDevice(device));
  const other = all.filter((id) => (then[id] === true) !== (now[id] === true));
  const followers = new Set(
    rig.electrical.links.flatMap((link) => link.filter((id) => other.includes(id)).slice(1)),
  );
  return [...selects, ...other.filter((id) => !followers.has(id) && !selects.includes(id))];
}

interface Foot {
  readonly x: number;
  readonly y: number;
}

/** Where every switch is, m; of a switcher loop by loop, as far as its case has switches. */
function switchPlaces(rig: Rig): ReadonlyMap<string, Foot> {
  const places = new Map<string, Foot>();
  for (const { thing, switches } of layBoard(rig).standings) {
    const device = findDevice(rig, thing.id);
    if (!device) continue;
    const ids = device.insert === 'switched' ? switchesOfDevice(device) : [device.id];
    for (const [i, id] of ids.entries()) {
      const at = switches[Math.min(i, switches.length - 1)];
      if (at) places.set(id, at);
    }
  }
  return places;
}

/** Up to so many switches all orders are tried; beyond, the nearest is next. */
const ALL_ORDERS = 7;

/** The order in which the foot goes least. */
function shortest(
  ids: readonly string[],
  places: ReadonlyMap<string, Foot>,
): { readonly order: readonly string[]; readonly travelM: number | null } {
  if (ids.length < 2) return { order: ids, travelM: 0 };
  if (ids.some((id) => !places.has(id))) return { order: ids, travelM: null };
  const step = (a: string, b: string): number => {
    const [one, other] = [places.get(a)!, places.get(b)!];
    return Math.hypot(one.x - other.x, one.y - other.y);
  };
  const ways =
    ids.length <= ALL_ORDERS ? ordersOf(ids) : ids.map((id) => nearestFrom(id, ids, step));
  const lengthOf = (way: readonly string[]): number =>
    way.reduce((sum, id, i) => (i === 0 ? 0 : sum + step(way[i - 1]!, id)), 0);
  const best = ways.reduce((least, way) => (lengthOf(way) < lengthOf(least) - 1e-9 ? way : least));
  return { order: best, travelM: lengthOf(best) };
}

function ordersOf(ids: readonly string[]): readonly (readonly string[])[] {
  if (ids.length < 2) return [ids];
  return ids.flatMap((first, i) => ordersOf(ids.toSpliced(i, 1)).map((rest) => [first, ...rest]));
}

function nearestFrom(
  first: string,
  ids: readonly string[],
  step: (a: string, b: string) => number,
): readonly string[] {
  const way = [first];
  const left = new Set(ids.filter((id) => id !== first));
  while (left.size > 0) {
    const last = way.at(-1)!;
    const next = [...left].reduce((near, id) => (step(last, id) < step(last, near) ? id : near));
    left.delete(next);
    way.push(next);
  }
  return way;
}
