import type { Cable, JackKind } from '../gear';
import type { ControlKind, PowerFeed, Rig, Row } from '../rig';
import { halvesOf, type Laid } from './things';

/// Every cable of a rig, audio and other, as what connects two jacks.

export interface Jack {
  readonly thing: string;
  readonly kind: JackKind;
  /** Among those of its kind, from 0. */
  readonly nth: number;
}

export interface Connection {
  readonly id: string;
  readonly name: string;
  readonly carries: 'audio' | 'dc' | ControlKind;
  /** Null where it goes to something that never stands on a board: a guitar, an amp. */
  readonly from: Jack | null;
  readonly to: Jack | null;
  /** Of audio. */
  readonly cable: Cable | null;
  /** How long it is now, and whether that follows the board. */
  readonly lengthM: number;
  readonly isLaid: boolean;
}

const jack = (thing: string, kind: JackKind, nth = 0): Jack => ({ thing, kind, nth });

const CONTROL_JACKS: Readonly<Record<ControlKind, JackKind | null>> = {
  mains: null,
  midi: 'midi',
  control: 'control',
  expression: 'expression',
  usb: 'usb',
};

/** Where a row begins, from its own devices on. */
function startOf(row: Row, nthSide: number): Jack | null {
  switch (row.at.kind) {
    case 'side':
      return jack(row.at.device, 'side', nthSide);
    case 'loop':
      return jack(row.at.device, 'send', row.at.loop);
    default:
      return null;
  }
}

function endOf(row: Row, nthGuitar: number): Jack | null {
  switch (row.at.kind) {
    case 'guitar':
      return jack(row.at.selector, 'in', nthGuitar);
    case 'side':
      return row.at.to.kind === 'key' ? jack(row.at.to.device, 'in', 1) : null;
    case 'loop':
      return jack(row.at.device, 'return', row.at.loop);
    default:
      return null;
  }
}

/** How many rows before this one hang on the same jacks. */
function nthOf(rows: readonly Row[], row: Row): number {
  const before = rows.slice(0, rows.indexOf(row));
  const { at } = row;
  if (at.kind === 'guitar')
    return 1 + before.filter((r) => r.at.kind === 'guitar' && r.at.selector === at.selector).length;
  return at.kind === 'side'
    ? before.filter((r) => r.at.kind === 'side' && r.at.device === at.device).length
    : 0;
}

/** A pedal in four cables is one case: its first half goes on to the send, its second comes from the return. */
function onCase(rig: Laid, one: Jack | null): Jack | null {
  if (!one) return null;
  const second = halvesOf(rig);
  const first = second.get(one.thing);
  if (first !== undefined) return one.kind === 'in' ? jack(first, 'return') : jack(first, one.kind);
  const isFirst = one.kind === 'out' && [...second.values()].includes(one.thing);
  return isFirst ? jack(one.thing, 'send') : one;
}

function* audioOf(rig: Laid): Generator<Connection> {
  const { rows } = rig.electrical;
  for (const row of rows) {
    const nth = nthOf(rows, row);
    for (const [i, cable] of row.cables.entries()) {
      if (!cable) continue;
      const [before, after] = [row.devices[i - 1], row.devices[i]];
      const from = onCase(rig, before ? jack(before.id, 'out') : startOf(row, nth));
      const to = onCase(rig, after ? jack(after.id, 'in') : endOf(row, nth));
      const ends = rig.layout.ends[cable.id];
      yield {
        id: cable.id,
        name: cable.name,
        carries: 'audio',
        from: spoken(from, ends?.from.jack),
        to: spoken(to, ends?.to.jack),
        cable,
        lengthM: cable.lengthM.value,
        isLaid: cable.lengthM.from === 'laid',
      };
    }
  }
}

const spoken = (one: Jack | null, kind: JackKind | null | undefined): Jack | null =>
  one && kind && kind !== one.kind ? { ...one, kind, nth: 0 } : one;

/** What feeds a thing is a DC cable to it: from its outlet, or from the plug that it goes on from. */
const feedsAsConnections = (rig: Laid): readonly Connection[] =>
  rig.power.feeds.map(({ id, supply, outlet, after, consumer, lengthM }) => ({
    id,
    name: nameFeed({ id }),
    carries: 'dc',
    from: after === null ? jack(supply, 'power', outlet) : jack(caseOf(rig, after), 'power'),
    to: jack(caseOf(rig, consumer), 'power'),
    cable: null,
    lengthM: lengthM.value,
    isLaid: lengthM.from === 'laid',
  }));

/** What a DC cable is called. */
export const nameFeed = ({ id }: Pick<PowerFeed, 'id'>): string => `DC ${id.slice(1)}`;

/** Every cable there is, those that carry audio first, in the order of the rows. */
export function connectionsOf(rig: Laid): readonly Connection[] {
  const controls = rig.layout.controls.map(({ id, name, carries, from, to, lengthM }) => {
    const kind = CONTROL_JACKS[carries];
    const end = (one: typeof from): Jack => jack(one.thing, kind ?? 'power', one.nth);
    return {
      id,
      name,
      carries,
      from: end(from),
      to: end(to),
      cable: null,
      lengthM: lengthM.value,
      isLaid: lengthM.from === 'laid',
    };
  });
  return [...audioOf(rig), ...controls, ...feedsAsConnections(rig)];
}

/** What a device in the rig is called where a case is meant. */
export const caseOf = (rig: Pick<Rig, 'electrical'>, deviceId: string): string =>
  halvesOf(rig).get(deviceId) ?? deviceId;
