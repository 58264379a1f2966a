import { deviceOfClass, entered, FIELD_RULES, patchCable, type Cable, type Device } from '../gear';
import { driveWay, routeOf, wiperFraction, type DrivenPath } from '../path';
import {
  applyTrusted,
  findDevice,
  findCable,
  freshId,
  insertDevice,
  linkSwitch,
  mainRow,
  removeDevice,
  rowOf,
  setCableLength,
  setLengthAt,
  switchInScene,
  switchesOfDevice,
  type Edit,
  type Rig,
  type Row,
} from '../rig';
import { capacitanceFor, fitPickupSimulator, keepLikedCable } from '../tools';
import { countedScenes } from './countedStates';
import { gapOf } from './findMoves';
import { WORKING_ORDER, type Move, type MoveAction } from './move';

type ActionOf<K extends MoveAction['kind']> = Extract<MoveAction, { kind: K }>;

/** Moves as they are made one after the other. */
export const inWorkingOrder = (moves: readonly Move[]): readonly Move[] =>
  [...moves].sort(
    (a, b) => WORKING_ORDER.indexOf(a.action.kind) - WORKING_ORDER.indexOf(b.action.kind),
  );

/** A rig with moves made, and the edit that makes them all at once; null where one of them does nothing. */
export interface Made {
  readonly rig: Rig;
  readonly edit: Edit;
}

/** Makes moves in working order. */
export function makeMoves(rig: Rig, moves: readonly Move[]): Made | null {
  let now = rig;
  const edits: Edit[] = [];
  for (const move of inWorkingOrder(moves)) {
    const made = makeMove(now, move);
    if (!made) return null;
    edits.push(made.edit);
    now = made.rig;
  }
  return { rig: now, edit: edits.length === 1 ? edits[0]! : { kind: 'group', edits } };
}

/** Makes one move. */
export function makeMove(rig: Rig, { action }: Move): Made | null {
  const edit = editOfMove(rig, action);
  const next = edit && applyTrusted(rig, edit);
  return next && next !== rig ? { rig: next, edit } : null;
}

/** A move as an edit of the rig as it is by then; null where there is nothing to do, or nothing to do it to. */
export function editOfMove(rig: Rig, action: MoveAction): Edit | null {
  if (isGone(rig, action)) return null;
  switch (action.kind) {
    case 'buffer':
    case 'ownPedal':
      return insertDevice(rig, gapOf(rig, action.before), action.device);
    case 'removeBuffer':
      return removeDevice(rig, action.device);
    case 'shift':
      return shiftEdit(rig, action);
    case 'bypass':
      return chooseEdit(action.device, 'bypassChoice', action.to);
    case 'convert':
      return chooseEdit(action.device, 'bypass', 'true');
    case 'loopOut':
      return loopOutEdit(rig, action);
    case 'activate':
      return activateEdit(rig, action);
    case 'loopBuffer':
      return loopBufferEdit(rig, action);
    case 'pot':
      return {
        kind: 'set',
        target: { of: 'device', id: action.device },
        field: 'pot.potOhm',
        to: entered(action.potOhm),
      };
    case 'cableKind':
      return cableKindEdit(rig, action);
    case 'cableLength':
      return cableLengthEdit(rig, action);
    case 'capacitor':
      return capacitorEdit(rig, action);
    case 'pickupSimulator':
      return fitPickupSimulator(rig, action.device);
  }
}

/** What a move speaks of may be out of the rig by then. */
function isGone(rig: Rig, action: MoveAction): boolean {
  if (action.kind === 'loopBuffer') return rowOf(rig, action.before) === undefined;
  if ('before' in action && gapOf(rig, action.before) < 0) return true;
  if (!('device' in action) || typeof action.device !== 'string') return false;
  return findDevice(rig, action.device) === undefined;
}

/** Its level stays as it is turned. */
function activateEdit(rig: Rig, { device: id }: ActionOf<'activate'>): Edit {
  const { gear: _, ...device } = findDevice(rig, id)!;
  const { on, off, bypass, deviceClass } = deviceOfClass('poweredVolume', id);
  const turnedDb = device.pot ? 20 * Math.log10(wiperFraction(device.pot)) : 0;
  // A closed one is as far down as a powered one can be said to be.
  const gainDb = entered(Math.max(FIELD_RULES.device['on.gainDb'].min, turnedDb));
  const to: Device = { ...device, deviceClass, bypass, off, on: { ...on, gainDb }, pot: null };
  return { kind: 'replace', part: { of: 'device', to } };
}

function loopBufferEdit(rig: Rig, { before, device }: ActionOf<'loopBuffer'>): Edit {
  const row = rowOf(rig, before)!;
  return insertDevice(
    rig,
    row.devices.findIndex(({ id }) => id === before),
    device,
    row.id,
  );
}

const chooseEdit = (id: string, field: string, to: string): Edit => ({
  kind: 'choose',
  target: { of: 'device', id },
  field,
  to,
});

function shiftEdit(rig: Rig, { device, before }: ActionOf<'shift'>): Edit | null {
  const row = mainRow(rig);
  const from = row.devices.findIndex(({ id }) => id === device);
  const rest = row.devices.toSpliced(from, 1);
  const to = before === null ? rest.length : rest.findIndex(({ id }) => id === before);
  if (from < 0 || to < 0 || from === to) return null;
  return { kind: 'move', row: row.id, from, to };
}

/** One box with one loop in the pedal's place, the pedal between two patches in it, one switch for both. */
function loopOutEdit(rig: Rig, { device: id }: ActionOf<'loopOut'>): Edit | null {
  const row = mainRow(rig);
  const at = row.devices.findIndex((device) => device.id === id);
  const pedal = row.devices[at];
  if (!pedal) return null;
  const loopId = freshId(rig, 'd');
  const loop = { ...deviceOfClass('switcher', loopId, `loop for ${pedal.name}`), loops: 1 };
  const switchId = switchesOfDevice(loop)[0]!;
  const on = rig.state.positions[id] === true;
  const inside: Row = {
    id: freshId(rig, 'r'),
    at: { kind: 'loop', device: loopId, loop: 0 },
    devices: [pedal],
    cables: [patchCable(freshId(rig, 'l')), patchCable(freshId(rig, 'l', 1))],
  };
  const { rows, scenes } = rig.electrical;
  return {
    kind: 'group',
    edits: [
      {
        kind: 'splice',
        row: row.id,
        at,
        remove: 1,
        devices: [loop],
        cables: [row.cables[at]!, row.cables[at + 1]!],
        positions: {},
      },
      { kind: 'list', of: 'rows', at: rows.length, remove: 0, insert: [inside] },
      linkSwitch(rig, switchId, id),
      ...scenes
        .filter(({ state }) => state.positions[id] === true)
        .map((scene) => switchInScene(rig, scene.id, switchId, true)),
      { kind: 'switch', positions: { [id]: on, [switchId]: on } },
    ],
  };
}

function cableKindEdit(rig: Rig, { cables, like, isPiece }: ActionOf<'cableKind'>): Edit | null {
  const edits = cables.flatMap((id): Edit[] => {
    const cable = findCable(rig, id);
    if (!cable) return [];
    const { added, addedF } = cable;
    const lengthM = isPiece ? like.lengthM : cable.lengthM;
    const to = { ...like, id, lengthM, added, addedF };
    const places = rig.electrical.places.filter(({ lengths }) => isPiece && lengths[id]);
    return [
      { kind: 'replace', part: { of: 'cable', to } },
      ...places.map((place) => setLengthAt(rig, place.id, id, lengthM)),
    ];
  });
  return edits.length === 0 ? null : { kind: 'group', edits };
}

/** At every place where the cable is longer than that, it is that long from now on. */
function cableLengthEdit(rig: Rig, { cable: id, lengthM }: ActionOf<'cableLength'>): Edit | null {
  const cable = findCable(rig, id);
  if (!cable) return null;
  const isCut = lengthM < cable.lengthM.value;
  const places = rig.electrical.places.filter(({ lengths }) => {
    const there = lengths[id];
    return there && (isCut ? there.value > lengthM : there.value < lengthM);
  });
  const edits = places.map((place) => setLengthAt(rig, place.id, id, entered(lengthM)));
  return { kind: 'group', edits: [setCableLength(id, lengthM), ...edits] };
}

const LEAST_CAPACITOR_F = 20e-12;

function capacitorEdit(rig: Rig, { goal }: ActionOf<'capacitor'>): Edit | null {
  const at = capacitorPlace(rig);
  const addF = at ? capacitorFor(rig, at.path, goal) : 0;
  if (!at || addF < LEAST_CAPACITOR_F) return null;
  const before = at.cable.added ? at.cable.addedF.value : 0;
  const target = { of: 'cable', id: at.cable.id } as const;
  const to = entered(Number((before + addF).toPrecision(3)));
  return {
    kind: 'group',
    edits: [
      { kind: 'set', target, field: 'addedF', to },
      { kind: 'choose', target, field: 'added', to: true },
    ],
  };
}

/** The cable nearest to the first input after the pickup that may change, in the first counted scene. */
export function capacitorPlace(
  rig: Rig,
): { readonly cable: Cable; readonly path: DrivenPath } | null {
  const { path } = driveWay({ ...rig, state: countedScenes(rig)[0]! });
  const first = path.sections[0];
  if (path.interrupted || !first) return null;
  const cables = first.connections.flatMap((connection) => {
    const { kind, id } = path.stops[connection]!.spot;
    return kind === 'cable' && !rig.texts.brief.keptCables.includes(id)
      ? (findCable(rig, id) ?? [])
      : [];
  });
  const cable = cables.at(-1);
  return cable ? { cable, path } : null;
}

function capacitorFor(rig: Rig, path: DrivenPath, goal: 'resonance' | 'reference'): number {
  if (goal === 'resonance') {
    const answer = capacitanceFor(path, rig.electrical.approach.wantedHz.value);
    return answer.kind === 'ok' ? answer.addF : 0;
  }
  const { lengthM, cPerMF } = rig.electrical.reference;
  const liked = { lengthM: lengthM.value, cPerMF: cPerMF.value, plugsF: 0 };
  const answer = keepLikedCable(path, liked, routeOf(rig).reference);
  return answer.kind === 'ok' ? answer.addF : 0;
}
