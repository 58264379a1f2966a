import { measureWay } from '../figures';
import { entered, wantsPickup, type Device } from '../gear';
import { driveWay, SectionSolver } from '../path';
import { findDevice, rowOf, withElectrical, type Chain } from '../rig';

/** What a way would sound like if one output of it were another. */
export interface SweptOutput {
  readonly rOutOhm: number;
  /** T against straight in, dB; null where nothing is heard. */
  readonly trebleDb: number | null;
}

/** What adjustable outputs usually offer, Ω: for a cable the lowest, for a fuzz one like a pickup's. */
const USUAL_OHM = [50, 150, 600, 1000, 2200, 5000, 10_000] as const;

/** The treble at the end of a way for every usual output of a device that drives. */
export function sweepOutput(rig: Chain, rowId: string, deviceId: string): readonly SweptOutput[] {
  const device = findDevice(rig, deviceId)!;
  const solver = new SectionSolver();
  return USUAL_OHM.map((rOutOhm) => {
    const to: Device = { ...device, on: { ...device.on, rOutOhm: entered(rOutOhm) } };
    const rows = rig.electrical.rows.map((row) => ({
      ...row,
      devices: row.devices.map((other) => (other.id === deviceId ? to : other)),
    }));
    const measured = measureWay(driveWay(withElectrical(rig, { rows }), rowId), solver);
    return { rOutOhm, trebleDb: measured.kind === 'sounding' ? measured.figures.trebleDb : null };
  });
}

/** What an adjustable output is to be set by: what stands next after it. */
export function outputIsFor(rig: Chain, deviceId: string): 'fuzz' | 'cable' {
  const row = rowOf(rig, deviceId)!;
  const next = row.devices[row.devices.findIndex(({ id }) => id === deviceId) + 1];
  return next && wantsPickup(next) ? 'fuzz' : 'cable';
}
