import type { RigKind, PartKind } from '../gear';
import { driveWay, TrebleMeter } from '../path';
import { allDevices, allCables, readNumber, withElectricalPart, writeAt, type Chain } from '../rig';
import { drawnName, looseValues } from './drawRig';
import type { ChainWay } from './tolerance';

/** An assumed value of a rig, and how much rests on it. */
export interface Assumption {
  /** Parts that have it: cables of one kind come off one reel and are off together. */
  readonly parts: readonly { readonly kind: RigKind; readonly id: string; readonly name: string }[];
  readonly path: string;
  /** As it is assumed, SI. */
  readonly value: number;
  /** T less what it is now, at the low and at the high end of the value's range, dB. */
  readonly lowDb: number;
  readonly highDb: number;
}

interface PartOfRig {
  readonly kind: RigKind;
  readonly part: { readonly id: string; readonly name: string };
}

/**
 * The assumed values that treble rests on most, the most important first: each alone taken to both ends of
 * its range (± its tolerance), all else as it is.
 */
export function assumptionsThatMatter(
  { chain: rig, rowId }: ChainWay,
  most = 5,
): readonly Assumption[] {
  const meter = new TrebleMeter();
  const now = trebleOf(rig, rowId, meter);
  if (now === null) return [];
  const swing = ({ lowDb, highDb }: Assumption) => Math.max(Math.abs(lowDb), Math.abs(highDb));
  return [...groupsOf(rig).values()]
    .map((group): Assumption => {
      const at = (sign: 1 | -1) => (trebleOf(shifted(rig, group, sign), rowId, meter) ?? now) - now;
      return {
        parts: group.parts.map(({ kind, part }) => ({ kind, id: part.id, name: part.name })),
        path: group.path,
        value: group.value,
        lowDb: at(-1),
        highDb: at(1),
      };
    })
    .filter((assumption) => swing(assumption) > 0)
    .sort((a, b) => swing(b) - swing(a))
    .slice(0, most);
}

interface Group {
  readonly path: string;
  readonly value: number;
  /** 2σ of its logarithm. */
  readonly range: number;
  readonly min: number;
  readonly max: number;
  readonly parts: PartOfRig[];
}

function groupsOf(rig: Chain): ReadonlyMap<string, Group> {
  const groups = new Map<string, Group>();
  for (const one of partsIn(rig)) {
    const { kind, part } = one;
    for (const { path, name, sigma, min, max } of looseValues(kind, part, drawnName(kind, part))) {
      const { value, from } = readNumber(part, path)!;
      if (from !== 'assumed' || path === 'lengthM') continue;
      const group = groups.get(name) ?? { path, value, range: 2 * sigma, min, max, parts: [] };
      group.parts.push(one);
      groups.set(name, group);
    }
  }
  return groups;
}

const partsIn = (rig: Chain): readonly PartOfRig[] => [
  ...rig.electrical.guitars.map((part) => ({ kind: 'guitar', part }) as const),
  ...allDevices(rig).map((part) => ({ kind: 'device', part }) as const),
  // The longest of a kind first: it is the one to speak of.
  ...[...allCables(rig)]
    .sort((a, b) => b.lengthM.value - a.lengthM.value)
    .map((part) => ({ kind: 'cable', part }) as const),
  ...rig.electrical.destinations.map((part) => ({ kind: 'destination', part }) as const),
];

function shifted(rig: Chain, { parts, path, range, min, max }: Group, sign: 1 | -1): Chain {
  return parts.reduce((now, { kind, part }) => {
    const before = readNumber(part, path)!;
    const value = Math.min(max, Math.max(min, before.value * Math.exp(sign * range)));
    const target = { of: kind as Extract<PartKind, RigKind>, id: part.id };
    return withElectricalPart(now, target, writeAt(part, path, { ...before, value }));
  }, rig);
}

/** T against straight in, dB; null where nothing is heard. */
function trebleOf(rig: Chain, rowId: string, meter: TrebleMeter): number | null {
  const { route, path } = driveWay(rig, rowId);
  if (path.interrupted) return null;
  const sum = path.sections.reduce((t, { circuit }) => t + meter.measure(circuit).trebleDb, 0);
  const treble = sum - meter.measure(route.reference).trebleDb;
  return Number.isFinite(treble) ? treble : null;
}
