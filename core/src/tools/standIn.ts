import type { Section } from '../circuit';
import { entered, type Device } from '../gear';
import { drivePath, routeOf, sourceImpedanceOhm, stopOf, type DrivenPath } from '../path';
import { applyEdits, findDevice, playingGuitar, type Edit, type Rig } from '../rig';

/** A coil and a resistor that stand for a pickup between a low impedance and a fuzz. */
export interface StandIn {
  readonly lH: number;
  readonly rOhm: number;
  /** |Z| that the fuzz meets, Ω, at each of `AT_HZ`: from the pickup itself, from what drives it now, with the stand-in. */
  readonly impedances: readonly {
    readonly hz: number;
    readonly pickupOhm: number;
    readonly nowOhm: number;
    readonly standInOhm: number;
  }[];
}

const AT_HZ = [100, 400, 1000, 3000] as const;

/**
 * What to put in series ahead of a fuzz that something buffered drives: the pickup's inductance, and its
 * resistance less the output resistance that is there already. Null where the source is no pickup or the
 * fuzz is driven by it already.
 *
 * @param stop place of the fuzz among the stops
 */
export function standInFor(path: DrivenPath, stop: number): StandIn | null {
  const guitar = path.sections[0]?.circuit;
  const feeding = path.sections.find(({ endsAt }) => endsAt === stop)?.circuit;
  if (guitar?.source.kind !== 'pickup' || feeding?.source.kind !== 'voltage') return null;
  const { lH, rDcOhm } = guitar.source;
  const rOhm = Math.max(0, rDcOhm - feeding.source.rOutOhm);
  const bare: Pick<Section, 'source' | 'path'> = { source: guitar.source, path: [] };
  return {
    lH,
    rOhm,
    impedances: AT_HZ.map((hz) => {
      const nowOhm = sourceImpedanceOhm(feeding, hz);
      const reactance = 2 * Math.PI * hz * lH;
      return {
        hz,
        pickupOhm: sourceImpedanceOhm(bare, hz),
        nowOhm,
        standInOhm: Math.hypot(nowOhm + rOhm, reactance),
      };
    }),
  };
}

/** Fits a stand-in ahead of a fuzz: for what drives it with everything else off, or the whole pickup. */
export function fitStandIn(rig: Rig, deviceId: string): Edit | null {
  const device = findDevice(rig, deviceId);
  if (!device) return null;
  const { standIn: _, ...bare } = device;
  const positions = { [deviceId]: true };
  const alone = { ...rig, standing: { ...rig.standing, positions, powered: true } };
  const path = drivePath(routeOf(withDevice(alone, bare)));
  const found = standInFor(path, stopOf(path.stops, 'device', deviceId));
  const { lH, rDcOhm } = playingGuitar(rig);
  const standIn = {
    lH: entered(found?.lH ?? lH.value),
    rOhm: entered(Math.round(found?.rOhm ?? rDcOhm.value)),
  };
  return { kind: 'replace', part: { of: 'device', to: { ...bare, standIn } } };
}

/** Takes it out again. */
export function takeStandInOut(rig: Rig, deviceId: string): Edit | null {
  const device = findDevice(rig, deviceId);
  if (!device?.standIn) return null;
  const { standIn: _, ...to } = device;
  return { kind: 'replace', part: { of: 'device', to } };
}

const withDevice = (rig: Rig, device: Device): Rig =>
  applyEdits(rig, { kind: 'replace', part: { of: 'device', to: device } });
