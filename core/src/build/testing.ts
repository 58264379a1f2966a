import { conductorM, type Cable } from '../gear';
import { formatQuantity } from '../quantity';
import { findCable, type Edit, type Rig } from '../rig';
import { toleranceOf } from '../tolerance';
import { LEAST_LEAK_OHM, type CableTest } from './records';

/// A cable held against what it should be.

/** What a meter should read of a whole cable, F: its length and both plugs. */
export function expectedF(cable: Cable): number {
  return (
    conductorM(cable) * cable.cPerMF.value +
    2 * cable.plugF.value +
    (cable.added ? cable.addedF.value : 0)
  );
}

/** How far the reading may be off, as a share: by its kind and its length together. */
export function toleranceShare(cable: Cable): number {
  const kind = toleranceOf('cable', 'cPerMF', cable.cPerMF);
  const length = toleranceOf('cable', 'lengthM', cable.lengthM);
  return Math.hypot(kind, length);
}

export interface TestFinding {
  /** Null where too little was tried to say. */
  readonly isPassed: boolean | null;
  /** What is wrong, or what it may be, in words. */
  readonly says: readonly string[];
}

const pF = (farad: number): string => formatQuantity(farad, 'capacitance', 'metric');

/** What must be tried of a cable before it is tied. */
const NEEDED = ['tipThrough', 'sleeveThrough', 'leakOhm', 'pull', 'wiggle'] as const;

/** What a test says of its cable. @param cable as it is in the rig, of audio; null of any other */
export function findingOf(test: Omit<CableTest, 'id' | 'at'>, cable: Cable | null): TestFinding {
  const says = [...faultsIn(test), ...aboutCapacitance(test, cable)];
  const needed = cable === null ? (['tipThrough', 'sleeveThrough'] as const) : NEEDED;
  const isWhole = needed.every((key) => test[key] !== null);
  if (says.length > 0) return { isPassed: false, says };
  return { isPassed: isWhole ? true : null, says: [] };
}

function* faultsIn(test: Omit<CableTest, 'id' | 'at'>): Generator<string> {
  const { label } = test;
  if (test.tipThrough === false)
    yield `${label}: the tip is not through. A cold joint, or a screw beside the core.`;
  if (test.sleeveThrough === false)
    yield `${label}: the sleeve is not through. The screen is not held.`;
  if (test.ringThrough === false) yield `${label}: the ring is not through.`;
  if (test.leakOhm !== null && test.leakOhm < LEAST_LEAK_OHM)
    yield `${label}: ${formatQuantity(test.leakOhm, 'resistance', 'metric')} between tip and sleeve; at least ${formatQuantity(LEAST_LEAK_OHM, 'resistance', 'metric')} is right. A strand across, or the conductive layer touches the core.`;
  if (test.silentPlugs === false)
    yield `${label}: a silent plug does not do what it should, in the jack or held in the hand.`;
  if (test.pull === false) yield `${label}: it does not hold when it is pulled.`;
  if (test.wiggle === false) yield `${label}: it breaks up when it is moved at the plug.`;
}

function* aboutCapacitance(
  { label, capacitanceF }: Omit<CableTest, 'id' | 'at'>,
  cable: Cable | null,
): Generator<string> {
  if (capacitanceF === null || cable === null) return;
  const expected = expectedF(cable);
  const share = toleranceShare(cable);
  if (Math.abs(capacitanceF / expected - 1) <= share) return;
  const most = Math.round(share * 100);
  const may =
    capacitanceF < expected / 2
      ? 'It may be open, or much shorter.'
      : capacitanceF < expected
        ? 'It may be another kind of cable, or shorter than it says.'
        : 'It may be another kind of cable, longer than it says, or damp.';
  yield `${label}: ${pF(capacitanceF)} where ${pF(expected)} ± ${most} % were expected. ${may}`;
}

/** A measured cable into the rig: what a metre of it has, as measured. Null where that cannot be told. */
export function takeMeasured(
  rig: Rig,
  { cable: id, capacitanceF, at, by }: CableTest,
): Edit | null {
  const cable = findCable(rig, id);
  if (!cable || capacitanceF === null) return null;
  const added = cable.added ? cable.addedF.value : 0;
  const metres = conductorM(cable);
  const perM = (capacitanceF - 2 * cable.plugF.value - added) / metres;
  if (!(metres > 0) || !(perM > 0) || perM > 1e-9) return null;
  const to = {
    value: perM,
    from: 'measured',
    on: at.slice(0, 10),
    ...(by === '' ? {} : { by }),
  } as const;
  return { kind: 'set', target: { of: 'cable', id }, field: 'cPerMF', to };
}
