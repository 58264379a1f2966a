import { CABLE_CLASSES, entered, type Cable } from '../gear';
import {
  allCables,
  allDevices,
  isEngaged,
  playingGuitar,
  withElectricalPart,
  type Chain,
} from '../rig';
import { hashOf, mix } from '../tolerance';
import { nameCable } from '../figures';

/// One thing of a rig that is not what the rig says: what a simulated sweep hides, and a beginner looks for.

export const HIDDEN_FAULTS = [
  'shorted',
  'twiceAsLong',
  'notTrueBypass',
  'wrongPot',
  'wrongKind',
] as const;
export type HiddenFault = (typeof HIDDEN_FAULTS)[number];

export interface Exercise {
  /** The chain as it really is. */
  readonly truth: Chain;
  readonly fault: HiddenFault;
  /** Of the part. */
  readonly id: string;
  /** What is wrong, in words. */
  readonly words: string;
}

const SHORT_OHM = 0.6;

/** A rig with one part changed. @param seed the number of the exercise */
export function exerciseOf(chain: Chain, seed: number): Exercise {
  let count = 0;
  const share = () => mix(hashOf(`exercise ${seed} ${count++}`)) / 2 ** 32;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(share() * list.length)]!;
  return breakOne(chain, pick(HIDDEN_FAULTS), pick);
}

/** Breaks one part in a given way; where the rig has none that could, a cable is twice as long. */
export function breakOne(
  chain: Chain,
  fault: HiddenFault,
  pick: <T>(list: readonly T[]) => T,
): Exercise {
  const found =
    fault === 'wrongPot'
      ? breakPot(chain, pick)
      : fault === 'notTrueBypass'
        ? breakBypass(chain, pick)
        : breakCable(chain, fault, pick);
  return { fault, ...(found ?? breakCable(chain, 'twiceAsLong', pick)) };
}

type Broken = Omit<Exercise, 'fault'>;
type Pick = Parameters<typeof breakOne>[2];

function breakCable(
  chain: Chain,
  fault: 'shorted' | 'twiceAsLong' | 'wrongKind',
  pick: Pick,
): Broken {
  const longest = allCables(chain)
    .toSorted((one, other) => other.lengthM.value - one.lengthM.value)
    .slice(0, 2);
  const side = chain.electrical.rows.find(({ at }) => at.kind === 'side')?.cables[0];
  const cable = fault === 'shorted' ? (side ?? pick(allCables(chain))) : pick(longest);
  const broken = (change: Partial<Cable>, words: string): Broken => ({
    truth: withElectricalPart(chain, { of: 'cable', id: cable.id }, { ...cable, ...change }),
    id: cable.id,
    words: `${nameCable(chain, cable.id)} ${words}`,
  });
  switch (fault) {
    case 'shorted':
      return broken({ leakOhm: SHORT_OHM }, 'is shorted, tip on sleeve');
    case 'twiceAsLong': {
      const lengthM = entered(2 * cable.lengthM.value);
      return broken({ lengthM }, 'is twice as long as the rig says');
    }
    case 'wrongKind': {
      const kinds = (['veryLow', 'high'] as const).filter((kind) => kind !== cable.cableClass);
      const { label, cPerMPF } = CABLE_CLASSES[pick(kinds)];
      return broken({ cPerMF: entered(cPerMPF * 1e-12) }, `is another kind: ${label}`);
    }
  }
}

function breakPot(chain: Chain, pick: Pick): Broken | null {
  const guitar = playingGuitar(chain);
  if (guitar.kind !== 'magnetic') return null;
  const potOhm = entered(guitar.volume.potOhm.value * pick([0.5, 2]));
  const changed = { ...guitar, volume: { ...guitar.volume, potOhm } };
  return {
    truth: withElectricalPart(chain, { of: 'guitar', id: guitar.id }, changed),
    id: guitar.id,
    words: `the volume pot of ${guitar.name} is another: ${potOhm.value / 1e3}\u00a0kΩ`,
  };
}

function breakBypass(chain: Chain, pick: Pick): Broken | null {
  const off = allDevices(chain).filter(
    (device) => device.bypass === 'true' && !isEngaged(chain, device),
  );
  if (off.length === 0) return null;
  const device = pick(off);
  const bypass = pick(['buffered', 'hardwired'] as const);
  return {
    truth: withElectricalPart(chain, { of: 'device', id: device.id }, { ...device, bypass }),
    id: device.id,
    words: `the bypass of ${device.name} is ${bypass}, not a true one`,
  };
}
