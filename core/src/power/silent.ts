import { halvesOf } from '../board';
import { measureRig, nameSpot, type Figures } from '../figures';
import { formatSignedDb } from '../quantity';
import type { SectionSolver } from '../path';
import { chainOf, type Chain, type Rig } from '../rig';
import { feedingsOf } from './feeding';

/// What falls silent when an outlet, a supply or the mains goes, and which treble is left then: the chain as it is when
/// those devices have no power, by the same rules as everywhere.

/** What can fail. */
export type PowerSource =
  | { readonly of: 'mains' }
  | { readonly of: 'supply'; readonly supply: string }
  | { readonly of: 'outlet'; readonly supply: string; readonly outlet: number };

/** What is heard then. */
export type Left =
  | {
      readonly kind: 'sounding';
      readonly trebleDb: number;
      readonly levelDb: number;
      /** Nothing of it is heard: treble and level are what they are with power. */
      readonly isAsBefore: boolean;
    }
  /** Nothing comes out; the name of what lets nothing through, where it is one thing. */
  | { readonly kind: 'silent'; readonly by: string | null };

export interface Failure {
  readonly source: PowerSource;
  /** Things without power then. */
  readonly consumers: readonly string[];
  readonly left: Left;
}

/** Every failure that leaves anything without power: the mains, each supply, each outlet that is used. */
export function failuresOf(rig: Rig, solver?: SectionSolver): readonly Failure[] {
  const { supplies } = feedingsOf(rig);
  const sources = supplies.flatMap(({ supply, outlets }) => [
    { of: 'supply', supply: supply.id } as const,
    ...outlets
      .filter(({ hung, helps }) => hung.length + helps.length > 0)
      .map(({ outlet }) => ({ of: 'outlet', supply: supply.id, outlet }) as const),
  ]);
  const all: readonly PowerSource[] = [{ of: 'mains' }, ...sources];
  return all
    .map((source) => failureOf(rig, source, solver))
    .filter(({ consumers }) => consumers.length > 0);
}

/** One failure. */
export function failureOf(rig: Rig, source: PowerSource, solver?: SectionSolver): Failure {
  const consumers = darkOf(rig, source);
  return { source, consumers, left: leftOf(rig, consumers, source, solver) };
}

/** What has no power when this fails. */
export function darkOf(rig: Rig, source: PowerSource): readonly string[] {
  return feedingsOf(rig).supplies.flatMap(({ supply, outlets }) => {
    if (source.of === 'mains' && supply.supplyClass === 'battery') return [];
    if (source.of !== 'mains' && source.supply !== supply.id) return [];
    const things = outlets
      .filter(({ outlet }) => source.of !== 'outlet' || outlet === source.outlet)
      .flatMap(({ hung, helps }) => [...hung, ...helps]);
    return [...new Set(things.map(({ consumer }) => consumer.id))];
  });
}

/** The chain with these devices dark. */
export function withoutPower(
  rig: Pick<Rig, 'electrical' | 'state'>,
  dark: readonly string[],
): Chain {
  const unpowered = [...new Set([...rig.state.unpowered, ...dark])];
  return chainOf({ ...rig, state: { ...rig.state, unpowered } });
}

function leftOf(
  rig: Rig,
  consumers: readonly string[],
  source: PowerSource,
  solver: SectionSolver | undefined,
): Left {
  const box = silentBox(rig, source);
  if (box !== null) return { kind: 'silent', by: box };
  const chain = withoutPower(rig, devicesAmong(rig, consumers));
  const measured = measureRig(chain, solver);
  switch (measured.kind) {
    case 'sounding': {
      const { trebleDb, levelDb } = measured.figures;
      return {
        kind: 'sounding',
        trebleDb,
        levelDb,
        isAsBefore: isAsNow(rig, measured.figures, solver),
      };
    }
    case 'muted':
      return { kind: 'silent', by: nameSpot(chain, measured.stops[measured.by]!.spot) };
    case 'open':
      return { kind: 'silent', by: nameSpot(chain, measured.stops[measured.at]!.spot) };
    case 'silent':
      return { kind: 'silent', by: null };
  }
}

/** Whether treble and level are those of the rig with its power, to what figures show. */
function isAsNow(
  rig: Rig,
  { trebleDb, levelDb }: Pick<Figures, 'trebleDb' | 'levelDb'>,
  solver: SectionSolver | undefined,
): boolean {
  const now = measureRig(chainOf(rig), solver);
  return (
    now.kind === 'sounding' &&
    Math.abs(now.figures.trebleDb - trebleDb) < SHOWN_DB &&
    Math.abs(now.figures.levelDb - levelDb) < SHOWN_DB
  );
}

/** What no figure shows any more, dB. */
const SHOWN_DB = 0.005;

/** Those that are in the chain, a pedal in four cables with both of its halves. */
function devicesAmong(rig: Rig, consumers: readonly string[]): readonly string[] {
  const second = [...halvesOf(rig)];
  const { consumers: known } = feedingsOf(rig);
  const devices = consumers.filter((id) => known.some((one) => one.id === id && one.isDevice));
  return devices.flatMap((id) => [
    id,
    ...second.flatMap(([other, first]) => (first === id ? [other] : [])),
  ]);
}

/** The destination that is in one box with what fails, by its name. */
function silentBox(rig: Rig, source: PowerSource): string | null {
  if (source.of === 'outlet') return null;
  const { supplies, oneBox } = rig.power;
  const dark = supplies.filter(
    ({ id, supplyClass }) =>
      supplyClass !== 'battery' && (source.of === 'mains' || source.supply === id),
  );
  const boxes = dark.map(({ id }) => oneBox[id]);
  return rig.electrical.destinations.find(({ id }) => boxes.includes(id))?.name ?? null;
}

/** What is heard then, in a few words. */
export const sayLeft = (left: Left): string =>
  left.kind === 'sounding'
    ? left.isAsBefore
      ? 'sounds as before'
      : `sounds, treble ${formatSignedDb(left.trebleDb)} dB`
    : left.by === null
      ? 'silence'
      : `silence at ${left.by}`;
