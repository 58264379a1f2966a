import {
  findElectricalPart,
  swap,
  withElectricalPart,
  type ElectricalTarget,
} from '../electricalParts';
import type { Rig } from '../rig';
import { refused, type Touched } from './editKind';

/** A part beside the electrical one. */
type FittingTarget = { readonly of: 'board' | 'fixture' | 'supply'; readonly id: string };

/** A part of a rig whose values can be set. */
export type Target =
  | { readonly of: 'reference' | 'approach' | 'laying' | 'power' }
  | { readonly of: 'guitar' | 'device' | 'cable' | 'destination'; readonly id: string }
  | FittingTarget;

/** What has a name, or is a part. */
export type NamedTarget =
  | ElectricalTarget
  | FittingTarget
  | { readonly of: 'rig' | 'laying' | 'power' }
  | { readonly of: 'pin'; readonly id: string };

/** The part a target names, or undefined where the rig has none. */
export function findPart(rig: Rig, target: NamedTarget): object | undefined {
  switch (target.of) {
    case 'rig':
      return rig.texts;
    case 'laying':
      return rig.layout.laying;
    case 'power':
      return rig.power;
    case 'board':
      return rig.layout.boards.find(({ id }) => id === target.id);
    case 'fixture':
      return rig.layout.fixtures.find(({ id }) => id === target.id);
    case 'supply':
      return rig.power.supplies.find(({ id }) => id === target.id);
    case 'pin':
      return rig.pins.find(({ id }) => id === target.id);
    default:
      return findElectricalPart(rig, target);
  }
}

/** A copy of a rig with one part replaced; the part has to be there. */
export function withPart(rig: Rig, target: NamedTarget, part: object): Rig {
  const { layout, power, pins } = rig;
  switch (target.of) {
    case 'rig':
      return { ...rig, texts: part as Rig['texts'] };
    case 'laying':
      return { ...rig, layout: { ...layout, laying: part as Rig['layout']['laying'] } };
    case 'power':
      return { ...rig, power: part as Rig['power'] };
    case 'board':
      return { ...rig, layout: { ...layout, boards: swap(layout.boards, target.id, part) } };
    case 'fixture':
      return { ...rig, layout: { ...layout, fixtures: swap(layout.fixtures, target.id, part) } };
    case 'supply':
      return { ...rig, power: { ...power, supplies: swap(power.supplies, target.id, part) } };
    case 'pin':
      return { ...rig, pins: swap(pins, target.id, part) };
    default:
      return withElectricalPart(rig, target, part);
  }
}

const ELSEWHERE = {
  rig: 'texts',
  laying: 'layout',
  power: 'power',
  board: 'layout',
  fixture: 'layout',
  supply: 'power',
  pin: 'pins',
};

/** Which part of the document a target lies in. */
export const partOfTarget = ({ of }: NamedTarget): Touched =>
  of in ELSEWHERE ? (ELSEWHERE[of as keyof typeof ELSEWHERE] as Touched) : 'electrical';

export const missing = (target: NamedTarget) =>
  refused(
    'id' in target
      ? `There is no ${target.of} “${target.id}” in this rig.`
      : `There is no ${target.of} in this rig.`,
  );
