import { withNoise, RigMeter, sweptChain, type RigSweep } from '../../src/bench';
import { CABLE_CLASSES, deviceOfClass, entered, guitarOfClass, type Cable } from '../../src/gear';
import {
  allCables,
  allDevices,
  applyEdit,
  hasSwitch,
  insertDevice,
  isEngaged,
  newRig,
  toggleSwitch,
  withElectrical,
  withElectricalPart,
  type Chain,
  type Edit,
  type Rig,
} from '../../src/rig';
import { hashOf, mix } from '../../src/tolerance';

/// Random rigs with one part that is not what the rig says, and the response that would be measured.

export const FAULTS = [
  'twiceAsLong',
  'shortedTap',
  'notTrueBypass',
  'wrongPot',
  'wrongKind',
] as const;
export type Fault = (typeof FAULTS)[number];

export const CALIBRATED: RigSweep = { from: 'coil', sourceOhm: 10e3, isCalibrated: true };

export interface FaultyRig {
  readonly rig: Chain;
  readonly truth: Chain;
  /** Of the part that is another. */
  readonly id: string;
  readonly fault: Fault;
  readonly frequencyHz: readonly number[];
  readonly levelDb: readonly number[];
}

const CLASSES = [
  'drive',
  'delay',
  'fuzz',
  'boost',
  'modulation',
  'wah',
  'reverb',
  'compressor',
] as const;
const GUITARS = ['brightSingle', 'coveredHumbucker', 'hotHumbucker', 'wideSingle'] as const;

/** 61 points, 50 Hz to 18 kHz. */
export const SWEPT_HZ = Array.from({ length: 61 }, (_, k) => 50 * 360 ** (k / 60));

/** The rig of a seed. @param noiseDb of every measured point (1σ) */
export function faultyRig(seed: number, noiseDb: number): FaultyRig {
  const fault = FAULTS[seed % FAULTS.length]!;
  let count = 0;
  const share = () => mix(hashOf(`faulty ${seed} ${count++}`)) / 2 ** 32;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(share() * list.length)]!;
  const rig = rigOf(fault, share, pick);
  const { truth, id } = broken(rig, fault, pick);
  const meter = new RigMeter(SWEPT_HZ);
  const levels = meter.levels(sweptChain(truth, CALIBRATED))!;
  return {
    rig,
    truth,
    id,
    fault,
    frequencyHz: SWEPT_HZ,
    levelDb: withNoise([...levels], seed, noiseDb),
  };
}

function rigOf(fault: Fault, share: () => number, pick: <T>(list: readonly T[]) => T): Rig {
  let rig = withElectrical(newRig('random'), { guitars: [guitarOfClass(pick(GUITARS), 'guitar')] });
  const make = (edit: Edit) => {
    const result = applyEdit(rig, edit);
    if (result.kind !== 'ok') throw new Error(JSON.stringify(result));
    rig = result.rig;
  };
  const pedals = 3 + Math.floor(share() * 6);
  for (let i = 0; i < pedals; i++) make(insertDevice(rig, i, deviceOfClass(pick(CLASSES), '')));
  if (fault === 'shortedTap')
    make(insertDevice(rig, Math.floor(share() * 2), deviceOfClass('tap', '')));
  for (const device of allDevices(rig))
    if (hasSwitch(device) && share() < 0.2) make(toggleSwitch(rig, device.id));
  const main = rig.electrical.rows[0]!;
  for (const cable of main.cables.slice(0, 1).concat(main.cables.slice(-1)))
    rig = withElectricalPart(
      rig,
      { of: 'cable', id: cable!.id },
      { ...cable!, lengthM: entered(3 + 9 * share()) },
    );
  return rig;
}

function broken(
  rig: Rig,
  fault: Fault,
  pick: <T>(list: readonly T[]) => T,
): { truth: Chain; id: string } {
  const cables = allCables(rig).toSorted((a, b) => b.lengthM.value - a.lengthM.value);
  const cable = pick(cables.slice(0, 2));
  const put = (to: Cable) => ({
    truth: withElectricalPart(rig, { of: 'cable', id: to.id }, to),
    id: to.id,
  });
  switch (fault) {
    case 'twiceAsLong':
      return put({ ...cable, lengthM: entered(2 * cable.lengthM.value) });
    case 'wrongKind': {
      const kind = pick((['veryLow', 'high'] as const).filter((name) => name !== cable.cableClass));
      return put({ ...cable, cPerMF: entered(CABLE_CLASSES[kind].cPerMPF * 1e-12) });
    }
    case 'shortedTap': {
      const side = rig.electrical.rows.find(({ at }) => at.kind === 'side')!;
      return put({ ...side.cables[0]!, leakOhm: 0.6 });
    }
    case 'wrongPot': {
      const guitar = rig.electrical.guitars[0]!;
      const potOhm = entered(guitar.volume.potOhm.value * pick([0.5, 2]));
      return {
        truth: withElectricalPart(
          rig,
          { of: 'guitar', id: guitar.id },
          { ...guitar, volume: { ...guitar.volume, potOhm } },
        ),
        id: guitar.id,
      };
    }
    case 'notTrueBypass': {
      const off = allDevices(rig).filter(
        (device) => device.bypass === 'true' && !isEngaged(rig, device),
      );
      // Where all are on or buffered, the first one is off and true after all.
      const device = off.length > 0 ? pick(off) : pick(allDevices(rig).filter(hasSwitch));
      const bypass = pick(['buffered', 'hardwired'] as const);
      return {
        truth: withElectricalPart(rig, { of: 'device', id: device.id }, { ...device, bypass }),
        id: device.id,
      };
    }
  }
}
