import type { FedThing, Feedings, OutletState, SupplyState } from '@gullwind/core';

/// The delta in px: from the mains on the left through supplies and outlets to the things they feed, arms as wide as
/// their current.

export interface DeltaThing {
  readonly thing: FedThing;
  readonly y: number;
}

export interface DeltaOutlet {
  readonly state: OutletState;
  readonly y: number;
  readonly height: number;
  readonly things: readonly DeltaThing[];
}

export interface DeltaSupply {
  readonly state: SupplyState;
  readonly y: number;
  readonly height: number;
  readonly outlets: readonly DeltaOutlet[];
}

/** One stretch of water. */
export interface Arm {
  readonly key: string;
  readonly d: string;
  readonly width: number;
  /** All things that it feeds. */
  readonly feeds: readonly string[];
}

export interface Columns {
  readonly mains: number;
  readonly supply: number;
  readonly supplyWidth: number;
  readonly outlet: number;
  readonly outletWidth: number;
  readonly thing: number;
  readonly thingWidth: number;
}

export interface Delta {
  readonly columns: Columns;
  readonly supplies: readonly DeltaSupply[];
  readonly arms: readonly Arm[];
  readonly height: number;
  /** Of one thing. */
  readonly row: number;
}

const LEAST_ROW = 27;
const MOST_ROW = 40;
export const SPARE_ROW = 22;
const GAP = 16;
const TOP = 10;
const WIDEST = 34;
const THINNEST = 1.5;
const LEAST_WIDTH = 640;

export function columnsOf(width: number): Columns {
  const whole = Math.max(width, LEAST_WIDTH);
  const supplyWidth = Math.min(150, whole * 0.17);
  const outletWidth = Math.min(212, whole * 0.27);
  const thingWidth = Math.min(226, whole * 0.27);
  const outlet = 64 + supplyWidth + (whole - 64 - supplyWidth - outletWidth - thingWidth) * 0.42;
  return {
    mains: 12,
    supply: 64,
    supplyWidth,
    outlet,
    outletWidth,
    thing: whole - thingWidth - 12,
    thingWidth,
  };
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** As high as there is room for, within reason. */
function rowFor(supplies: readonly SupplyState[], height: number): number {
  const outlets = supplies.flatMap((one) => one.outlets);
  const things = sum(outlets.map(({ hung }) => hung.length));
  const spare = outlets.filter(({ hung }) => hung.length === 0).length;
  const room = height - 2 * TOP - GAP * supplies.length - SPARE_ROW * spare - 8;
  return Math.max(LEAST_ROW, Math.min(MOST_ROW, Math.floor(room / Math.max(1, things))));
}

/** Places everything below each other, supplies in their order. */
export function deltaOf({ supplies }: Feedings, { width, height }: Size): Delta {
  const columns = columnsOf(width);
  const row = rowFor(supplies, height);
  let y = TOP;
  const placed = supplies.map((state): DeltaSupply => {
    const from = y;
    const outlets = state.outlets.map((outlet): DeltaOutlet => {
      const top = y;
      const height = outlet.hung.length > 0 ? row * outlet.hung.length : SPARE_ROW;
      y += height;
      const things = outlet.hung.map((thing, i) => ({ thing, y: top + row * (i + 0.5) }));
      return { state: outlet, y: top, height, things };
    });
    y += GAP;
    return { state, y: from, height: y - GAP - from, outlets };
  });
  return { columns, supplies: placed, arms: armsOf(placed, columns, row), height: y + TOP, row };
}

const sum = (values: readonly number[]): number => values.reduce((all, one) => all + one, 0);

const ampsOf = ({ outlets }: SupplyState): number => sum(outlets.map(({ amps }) => amps));

/** From one place to another, leaving and arriving level. */
function flow(x0: number, y0: number, x1: number, y1: number): string {
  const half = (x1 - x0) / 2;
  const [a, b] = [Math.round(x0 + half), Math.round(x1 - half)];
  return `M ${x0.toFixed(1)} ${y0.toFixed(1)} C ${a} ${y0.toFixed(1)} ${b} ${y1.toFixed(1)} ${x1.toFixed(1)} ${y1.toFixed(1)}`;
}

function armsOf(supplies: readonly DeltaSupply[], columns: Columns, row: number): readonly Arm[] {
  const isMains = ({ state }: DeltaSupply): boolean => state.supply.supplyClass !== 'battery';
  const total = sum(supplies.map(({ state }) => ampsOf(state)));
  const widthOf = (amps: number): number =>
    Math.max(THINNEST, (WIDEST * amps) / Math.max(total, 1e-9));
  const mainsY = mainsMiddle(supplies);
  return supplies.flatMap((supply) => {
    const { state, y, height } = supply;
    const middle = y + height / 2;
    const amps = ampsOf(state);
    const fed = state.outlets.flatMap(({ hung }) => hung.map(({ consumer }) => consumer.id));
    const out = columns.supply + columns.supplyWidth;
    const own: Arm[] =
      isMains(supply) && amps > 0
        ? [
            {
              key: `mains ${state.supply.id}`,
              d: flow(columns.mains + 8, mainsY, columns.supply, middle),
              width: widthOf(amps),
              feeds: fed,
            },
          ]
        : [];
    let bank = middle - sum(state.outlets.map((one) => (one.amps > 0 ? widthOf(one.amps) : 0))) / 2;
    const arms = supply.outlets.flatMap((outlet): Arm[] => {
      const { state: of, y: top } = outlet;
      if (of.amps <= 0) return [];
      const width = widthOf(of.amps);
      bank += width;
      const key = `${of.supply.id} ${of.outlet}`;
      const feeds = [...of.hung, ...of.helps].map(({ consumer }) => consumer.id);
      const at = top + (of.hung.length > 0 ? row : SPARE_ROW) / 2;
      return [
        { key, d: flow(out, bank - width / 2, columns.outlet, at), width, feeds },
        ...armsToThings(outlet, columns, widthOf, key),
      ];
    });
    return [...own, ...arms];
  });
}

export const mainsMiddle = (supplies: readonly DeltaSupply[]): number => {
  const fed = supplies.filter(({ state }) => state.supply.supplyClass !== 'battery');
  const [first, last] = [fed[0], fed.at(-1)];
  return first && last ? (first.y + last.y + last.height) / 2 : TOP + LEAST_ROW;
};

function armsToThings(
  { things }: DeltaOutlet,
  columns: Columns,
  widthOf: (amps: number) => number,
  key: string,
): readonly Arm[] {
  const behind = (id: string): readonly string[] =>
    things
      .filter(({ thing }) => thing.feed.after === id)
      .flatMap(({ thing }) => [thing.consumer.id, ...behind(thing.consumer.id)]);
  return things.map(({ thing, y }) => {
    const { id } = thing.consumer;
    const from = things.find((one) => one.thing.consumer.id === thing.feed.after);
    const width = widthOf(thing.cableAmps);
    const end = columns.outlet + columns.outletWidth;
    const hook = columns.thing - 16;
    const d = from
      ? `M ${hook} ${from.y} C ${hook - 16} ${from.y + 4} ${hook - 16} ${y} ${columns.thing} ${y}`
      : flow(end, things[0]!.y, columns.thing, y);
    return { key: `${key} ${id}`, d, width, feeds: [id, ...behind(id)] };
  });
}
