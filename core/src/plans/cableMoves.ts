import {
  conductorM,
  cableOfClass,
  isReel,
  type GearItem,
  type ItemOf,
  type Cable,
  type CableClass,
} from '../gear';
import { capacitanceFor } from '../tools';
import { driveWay } from '../path';
import { allCables, isPatch, mainRow, reachOf, type Rig, type Row } from '../rig';
import { MINUTES, NOTHING, USUAL_PRICE } from './efforts';
import type { Effort, Move } from './move';

/// Other cables, and other lengths of them.

const MOST_OF_GEAR = 3;
/** Another kind has to differ by this much to be one. */
const DIFFERENT = 0.08;

const LOW_CLASSES: readonly CableClass[] = ['veryLow', 'low'];
const SHAPING_CLASSES: readonly CableClass[] = ['ordinary', 'high'];

export function cableMoves(rig: Rig, gear: readonly GearItem[]): readonly Move[] {
  const free = cablesOnTheWay(rig).filter(({ id }) => !rig.texts.brief.keptCables.includes(id));
  const long = free.filter((cable) => !isPatch(cable));
  const patches = free.filter(isPatch);
  return [
    ...long.flatMap((cable) => [...kindMoves(rig, [cable], gear), ...lengthMoves(rig, cable)]),
    ...capacitorMoves(rig),
    ...(patches.length > 1 ? kindMoves(rig, patches, []) : []),
  ];
}

/** The cables of every row that the guitar's signal takes to the main end. */
function cablesOnTheWay(rig: Rig): readonly Cable[] {
  const isFront = ({ at }: Row) => at.kind === 'main' || at.kind === 'guitar' || at.kind === 'loop';
  return allCables({ electrical: { rows: rig.electrical.rows.filter(isFront) } });
}

interface OtherKind {
  readonly key: string;
  readonly cable: Cable;
  readonly item: ItemOf<'cable'> | null;
}

function kindMoves(rig: Rig, cables: readonly Cable[], gear: readonly GearItem[]): readonly Move[] {
  const [cable] = cables as readonly [Cable];
  const now = cables.reduce((sum, { cPerMF }) => sum + cPerMF.value, 0) / cables.length;
  const isShaped = rig.electrical.approach.kind === 'shaped';
  const classes = [...LOW_CLASSES, ...(isShaped ? SHAPING_CLASSES : [])];
  const kinds: readonly OtherKind[] = [
    ...classes.map((cableClass) => ({
      key: cableClass,
      cable: cableOfClass(cableClass, cable.id, cable.lengthM),
      item: null,
    })),
    ...ownCables(gear, rig, cable).map((item) => ({
      key: item.id,
      cable: { ...item.thing, gear: item.id },
      item,
    })),
  ];
  return kinds
    .filter(({ cable: like }) => {
      const ratio = (like.cPerMF.value * like.coil.value) / now;
      return isShaped ? Math.abs(ratio - 1) > DIFFERENT : ratio < 1 - DIFFERENT;
    })
    .map(({ key, cable: like, item }): Move => ({
      key: `kind ${cables.length > 1 ? 'patches' : cable.id} ${key}`,
      action: {
        kind: 'cableKind',
        cables: cables.map(({ id }) => id),
        like,
        isPiece: item !== null && !isReel(item),
      },
      effort: item ? effortOfItem(cable, item) : effortOfClass(cables, like),
      claims: [
        ...cables.map(({ id }) => `kind ${id}`),
        ...(item && !isReel(item) ? [`length ${cable.id}`] : []),
      ],
      condition: null,
      against: null,
    }));
}

/** Those of the gear list that reach: off a reel as far as there is of it, made up as they are. */
const ownCables = (
  gear: readonly GearItem[],
  rig: Rig,
  cable: Cable,
): readonly (ItemOf<'cable'> & GearItem)[] =>
  gear
    .filter((item): item is ItemOf<'cable'> & GearItem => item.kind === 'cable' && !item.retired)
    .filter((item) => isLongEnough(item, farthest(rig, cable)))
    .sort((a, b) => a.thing.cPerMF.value - b.thing.cPerMF.value)
    .slice(0, MOST_OF_GEAR);

/** As long as the cable is anywhere, or as far as somebody has said that it has to reach. */
function farthest(rig: Rig, cable: Cable): number {
  const { id, lengthM } = cable;
  const reach = reachOf(rig, cable)?.value;
  const there = rig.electrical.places.flatMap(({ lengths }) => lengths[id]?.value ?? []);
  return reach ?? Math.max(lengthM.value, ...there);
}

/** What is longer than this share of the way, and a step more, lies about in loops. */
const LONGEST_SHARE = 1.5;
const STEP_M = 0.5;

function isLongEnough(item: ItemOf<'cable'>, reachM: number): boolean {
  const { value } = item.thing.lengthM;
  return value >= reachM && (isReel(item) || value <= reachM * LONGEST_SHARE + STEP_M);
}

function effortOfClass(cables: readonly Cable[], like: Cable): Effort {
  const metres = cables.reduce((sum, { lengthM }) => sum + lengthM.value, 0);
  const each = cables.length > 1 ? MINUTES.swapPatch : MINUTES.swapCable;
  return {
    ...NOTHING,
    minutes: cables.length * each,
    cost: Math.round(metres * USUAL_PRICE.cablePerM + cables.length * USUAL_PRICE.plugPair),
    isCostAssumed: true,
    buys: [cables.length > 1 ? `${cables.length} patches, ${like.name}` : like.name],
  };
}

/** Off a reel a cable is made, at its price for each metre; a made-up piece is bought, or at hand where it has no price. */
function effortOfItem(cable: Cable, item: ItemOf<'cable'>): Effort {
  const { price } = item.qualities;
  const buys = price === null ? [] : [item.thing.name];
  if (!isReel(item))
    return { ...NOTHING, minutes: MINUTES.swapCable, cost: Math.round(price ?? 0), buys };
  return {
    ...NOTHING,
    minutes: MINUTES.makeCable,
    solders: true,
    cost: price === null ? 0 : Math.round(price * cable.lengthM.value + USUAL_PRICE.plugPair),
    isCostAssumed: price !== null,
    buys,
  };
}

/** Shorter as far as it still reaches; under "shaped" also longer. */
function lengthMoves(rig: Rig, cable: Cable): readonly Move[] {
  return lengthsFor(rig, cable).map((lengthM) => ({
    key: `length ${cable.id} ${lengthM}`,
    action: { kind: 'cableLength', cable: cable.id, lengthM },
    effort: lengthM < cable.lengthM.value ? effortOfCut(rig, lengthM) : effortOfLonger(lengthM),
    claims: [`length ${cable.id}`],
    condition: isReachKnown(rig, cable, lengthM) ? null : 'if it still reaches',
    against: null,
  }));
}

/** A cable that no place names and whose reach nobody has given is taken to reach at this share of it. */
const UNKNOWN_REACH = 0.6;
const LEAST_LONG_M = 3;

function lengthsFor(rig: Rig, cable: Cable): readonly number[] {
  const now = cable.lengthM.value;
  const reach = reachOf(rig, cable)?.value;
  const isNamed = rig.electrical.places.some(({ lengths }) => lengths[cable.id] !== undefined);
  const least = reach ?? (isNamed ? now : Math.max(LEAST_LONG_M, halves(now * UNKNOWN_REACH)));
  const shorter = least < now ? [halves((least + now) / 2), least] : [];
  return [...new Set([...shorter, ...longerFor(rig, cable)])].filter(
    (lengthM) => Math.abs(lengthM - now) > 0.2,
  );
}

function longerFor(rig: Rig, cable: Cable): readonly number[] {
  if (rig.electrical.approach.kind !== 'shaped' || mainRow(rig).cables[0]?.id !== cable.id)
    return [];
  const answer = capacitanceFor(driveWay(rig).path, rig.electrical.approach.wantedHz.value);
  if (answer.kind !== 'ok') return [];
  const perM = cable.cPerMF.value * (conductorM(cable) / cable.lengthM.value);
  const wanted = halves(cable.lengthM.value + answer.addF / perM);
  return wanted >= 1 && wanted <= 30 ? [wanted] : [];
}

/** A longer cable always reaches; a shorter one as far as somebody has said. */
const isReachKnown = (rig: Rig, cable: Cable, lengthM: number): boolean =>
  lengthM >= (reachOf(rig, cable) ?? cable.lengthM).value;

const halves = (m: number): number => Math.round(m * 2) / 2;

/** Cut and terminated anew; where nothing is soldered, bought at that length. */
const effortOfCut = ({ texts: { brief } }: Rig, lengthM: number): Effort =>
  brief.noSoldering
    ? effortOfLonger(lengthM)
    : { ...NOTHING, minutes: MINUTES.makeCable, solders: true };

const effortOfLonger = (lengthM: number): Effort => ({
  ...NOTHING,
  minutes: MINUTES.swapCable,
  cost: Math.round(lengthM * USUAL_PRICE.cablePerM + USUAL_PRICE.plugPair),
  isCostAssumed: true,
  buys: ['a cable'],
});

/** Where a kept cable has to stay as it is, the capacitor goes in the plug of another one on the way. */
function capacitorMoves(rig: Rig): readonly Move[] {
  if (rig.electrical.guitars[0]!.kind !== 'magnetic') return [];
  const goal = rig.electrical.approach.kind === 'shaped' ? 'resonance' : 'reference';
  return [
    {
      key: `capacitor ${goal}`,
      action: { kind: 'capacitor', goal },
      effort: {
        ...NOTHING,
        minutes: MINUTES.fitCapacitor,
        solders: true,
        cost: USUAL_PRICE.capacitor,
        isCostAssumed: true,
        buys: ['a capacitor'],
      },
      claims: ['capacitor'],
      condition: null,
      against: null,
    },
  ];
}
