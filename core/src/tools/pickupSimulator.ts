import type { Section } from '../circuit';
import { entered, type Device } from '../gear';
import { driveWay, sourceImpedanceOhm, stopOf, type DrivenPath } from '../path';
import { withElectricalPart, findDevice, playingGuitar, type Edit, type Chain } from '../rig';

/** A coil and a resistor that stand for a pickup between a low impedance and a fuzz. */
export interface SimulatorValues {
  readonly lH: number;
  readonly rOhm: number;
  /** |Z| that the fuzz meets, Ω, at each of `AT_HZ`: from the pickup itself, from what drives it now, with the pickup simulator. */
  readonly impedances: readonly {
    readonly hz: number;
    readonly pickupOhm: number;
    readonly nowOhm: number;
    readonly simulatorOhm: number;
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
export function pickupSimulatorFor(path: DrivenPath, stop: number): SimulatorValues | null {
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
        simulatorOhm: Math.hypot(nowOhm + rOhm, reactance),
      };
    }),
  };
}

/** Fits a pickup simulator ahead of a fuzz: for what drives it with everything else off, or the whole pickup. */
export function fitPickupSimulator(rig: Chain, deviceId: string): Edit | null {
  const device = findDevice(rig, deviceId);
  if (!device) return null;
  const { pickupSimulator: _, ...bare } = device;
  const positions = { [deviceId]: true };
  const alone = { ...rig, state: { ...rig.state, positions, unpowered: [] } };
  const { path } = driveWay(withDevice(alone, bare));
  const found = pickupSimulatorFor(path, stopOf(path.stops, 'device', deviceId));
  const { lH, rDcOhm } = playingGuitar(rig);
  const pickupSimulator = {
    lH: entered(found?.lH ?? lH.value),
    rOhm: entered(Math.round(found?.rOhm ?? rDcOhm.value)),
  };
  return { kind: 'replace', part: { of: 'device', to: { ...bare, pickupSimulator } } };
}

/** Takes it out again. */
export function removePickupSimulator(rig: Chain, deviceId: string): Edit | null {
  const device = findDevice(rig, deviceId);
  if (!device?.pickupSimulator) return null;
  const { pickupSimulator: _, ...to } = device;
  return { kind: 'replace', part: { of: 'device', to } };
}

const withDevice = (rig: Chain, device: Device): Chain =>
  withElectricalPart(rig, { of: 'device', id: device.id }, device);
