import { entered, PLUG_SHAPES, plugOfShape, type CaseSide, type Plug } from '../gear';
import { NO_END, type CableEnd, type Layer } from '../rig';
import type { Connection, Jack } from './connections';
import type { Point, Rect } from './rect';
import { HEADINGS, type Heading } from './routing/terrain';
import { directionOf, sideToward, type Standing, type StandingJack } from './standing';
import type { Laid } from './things';

/// Plugs in jacks: the room they take, and where they let the cable go.

export type End = 'from' | 'to';

export interface PlugAt {
  readonly cable: string;
  readonly end: End;
  readonly thing: string;
  readonly jack: StandingJack;
  readonly plug: Omit<Plug, 'id'>;
  readonly layer: Layer;
  readonly rect: Rect;
  /** Where the cable begins to be free. */
  readonly exit: Point;
  readonly leaves: Heading;
  /** Of an angled one, to which side of its case it lets the cable leave. */
  readonly side: CaseSide | null;
  /** Cable from the jack to there, m. */
  readonly entryM: number;
}

const DX: Readonly<Record<Heading, number>> = { right: 1, back: 0, left: -1, front: 0 };
const DY: Readonly<Record<Heading, number>> = { right: 0, back: 1, left: 0, front: -1 };

/** What other plugs are like, m. */
const OTHER_PLUGS = {
  dc: { beyondM: 0.03, acrossM: 0.011 },
  mains: { beyondM: 0.04, acrossM: 0.028 },
  midi: { beyondM: 0.045, acrossM: 0.018 },
  control: { beyondM: 0.045, acrossM: 0.013 },
  expression: { beyondM: 0.045, acrossM: 0.013 },
  usb: { beyondM: 0.035, acrossM: 0.014 },
} as const;

/** The plug of a cable at one end: its own, or what is usual. */
export function plugOf(
  { layout }: Pick<Laid, 'layout'>,
  { id, carries }: Connection,
  end: End,
): Omit<Plug, 'id'> {
  const given = layout.ends[id]?.[end].plug;
  if (given) return given;
  const { id: _, ...usual } = plugOfShape(layout.laying.usualPlug, 'usual plug');
  if (carries === 'audio') return usual;
  const { beyondM, acrossM } = OTHER_PLUGS[carries];
  const { id: __, ...straight } = plugOfShape('straight', carries);
  return { ...straight, beyondM: entered(beyondM), acrossM: entered(acrossM) };
}

/** The jack of a standing thing, or the first of its kind where it has fewer. */
export const jackOn = ({ jacks }: Standing, { kind, nth }: Jack): StandingJack | undefined =>
  jacks.find((one) => one.kind === kind && one.nth === nth);

/** To which of its two sides an angled plug lets the cable go: where it is told, else towards the other end, else back. */
function sideOf(
  { leaves }: CableEnd,
  jack: StandingJack,
  standing: Standing,
  toward: Point | null,
): Heading {
  const out = HEADINGS.indexOf(jack.out);
  const both = [HEADINGS[(out + 1) % 4]!, HEADINGS[(out + 3) % 4]!];
  const told = leaves && directionOf(leaves, standing.placement);
  if (told && both.includes(told)) return told;
  const usual = both.includes('back') ? 'back' : 'right';
  const way = (heading: Heading) =>
    toward === null ? 0 : DX[heading] * (toward.x - jack.x) + DY[heading] * (toward.y - jack.y);
  const [first, second] = both as [Heading, Heading];
  const [a, b] = [way(first), way(second)];
  return Math.abs(a - b) < 1e-6 ? usual : a > b ? first : second;
}

/**
 * A plug in a jack of a standing thing.
 *
 * @param toward where the other end is, if that is on a board
 */
export function plugAt(
  rig: Pick<Laid, 'layout'>,
  connection: Connection,
  end: End,
  standing: Standing,
  jack: StandingJack,
  toward: Point | null,
): PlugAt {
  const plug = plugOf(rig, connection, end);
  const ends = rig.layout.ends[connection.id]?.[end] ?? NO_END;
  const [beyond, half] = [plug.beyondM.value, plug.acrossM.value / 2];
  const [reach, clearance] = [plug.reachM.value, rig.layout.laying.clearanceM.value];
  const isAngled = reach > 0;
  const leaves = isAngled ? sideOf(ends, jack, standing, toward) : jack.out;
  const beside = isAngled ? leaves : HEADINGS[(HEADINGS.indexOf(jack.out) + 1) % 4]!;
  const at = (out: number, along: number): Point => ({
    x: jack.x + out * DX[jack.out] + along * DX[beside],
    y: jack.y + out * DY[jack.out] + along * DY[beside],
  });
  return {
    cable: connection.id,
    end,
    thing: standing.thing.id,
    jack,
    plug,
    layer: standing.layer,
    rect: rectOf(at(0, -half), at(beyond, Math.max(reach, half))),
    exit: isAngled ? at(beyond / 2, reach + clearance) : at(beyond + clearance, 0),
    leaves,
    side: isAngled ? sideToward(leaves, standing.placement) : null,
    entryM: isAngled ? beyond / 2 + reach + clearance : beyond + clearance,
  };
}

/** A plug as it turns for cables to anywhere: an angled one has two ways, any other one. */
export function plugWays(
  rig: Pick<Laid, 'layout'>,
  connection: Connection,
  end: End,
  standing: Standing,
  jack: StandingJack,
): readonly PlugAt[] {
  const ways = [-1, 1].flatMap((x) =>
    [-1, 1].map((y) => {
      const toward = { x: jack.x + 9 * x, y: jack.y + 9 * y };
      return plugAt(rig, connection, end, standing, jack, toward);
    }),
  );
  return ways.filter((one, i) => ways.findIndex(({ leaves }) => leaves === one.leaves) === i);
}

const rectOf = (a: Point, b: Point): Rect => ({
  x0: Math.min(a.x, b.x),
  y0: Math.min(a.y, b.y),
  x1: Math.max(a.x, b.x),
  y1: Math.max(a.y, b.y),
});

/** What the plug at an end of a cable is called: by its shape where none is given. */
export function plugNameOf(
  { layout }: Pick<Laid, 'layout'>,
  { id, carries }: Connection,
  end: End,
): string {
  const given = layout.ends[id]?.[end].plug;
  return (
    given?.name ??
    (carries === 'audio'
      ? PLUG_SHAPES[layout.laying.usualPlug].label
      : `${carries.toUpperCase()} plug`)
  );
}
