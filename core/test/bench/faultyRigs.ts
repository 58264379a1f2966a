import {
  breakOne,
  HIDDEN_FAULTS,
  RigMeter,
  sweptChain,
  withNoise,
  type HiddenFault,
  type RigSweep,
} from '../../src/bench';
import { deviceOfClass, entered, guitarOfClass } from '../../src/gear';
import {
  allDevices,
  applyEdit,
  hasSwitch,
  insertDevice,
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

export const FAULTS = HIDDEN_FAULTS;

export const CALIBRATED: RigSweep = { from: 'coil', sourceOhm: 10e3, isCalibrated: true };

export interface FaultyRig {
  readonly rig: Chain;
  readonly truth: Chain;
  /** Of the part that is another. */
  readonly id: string;
  readonly fault: HiddenFault;
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
  const { truth, id } = breakOne(rig, fault, pick);
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

function rigOf(fault: HiddenFault, share: () => number, pick: <T>(list: readonly T[]) => T): Rig {
  let rig = withElectrical(newRig('random'), { guitars: [guitarOfClass(pick(GUITARS), 'guitar')] });
  const make = (edit: Edit) => {
    const result = applyEdit(rig, edit);
    if (result.kind !== 'ok') throw new Error(JSON.stringify(result));
    rig = result.rig;
  };
  const pedals = 3 + Math.floor(share() * 6);
  for (let i = 0; i < pedals; i++) make(insertDevice(rig, i, deviceOfClass(pick(CLASSES), '')));
  if (fault === 'shorted')
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
