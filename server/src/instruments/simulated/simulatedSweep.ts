import type { SweepQuestion } from '@gullwind/contract';
import {
  exerciseOf,
  pickupLevelDb,
  RigMeter,
  SWEEP_FLOOR_DB,
  sweptChain,
  truthOf,
  withNoise,
  type Chain,
} from '@gullwind/core';
import type { Answer } from './lineServer';

export const SWEEP_NAME = 'Gullwind,Simulated sweep,0,1';

type Pickup = Extract<SweepQuestion['connected'], { kind: 'pickup' }>;
type Connected =
  | Pickup
  | (Omit<Extract<SweepQuestion['connected'], { kind: 'rig' }>, 'rig'> & {
      readonly chain: Chain;
    });

/** One conversation with the simulated sweep. */
export function simulatedSweep(seed: number): Answer {
  let connected: Connected | null = null;
  let setting = { fromHz: 50, toHz: 20_000, points: 61 };
  let levels: readonly number[] = [];
  let draw = Date.now() % 100_000;
  const frequencies = () =>
    Array.from(
      { length: setting.points },
      (_, k) => setting.fromHz * (setting.toHz / setting.fromHz) ** (k / (setting.points - 1)),
    );
  const set = (change: Partial<typeof setting>) => void (setting = { ...setting, ...change });
  return (command, argument) => {
    switch (command) {
      case '*IDN?':
        return SWEEP_NAME;
      case ':SIM:CONN':
        return void (connected = JSON.parse(argument) as Connected);
      case ':SWE:FREQ:STAR':
        return set({ fromHz: Number(argument) });
      case ':SWE:FREQ:STOP':
        return set({ toHz: Number(argument) });
      case ':SWE:POIN':
        return set({ points: Number(argument) });
      case ':INIT':
        levels = withNoise(levelsOf(connected, frequencies(), seed), seed + draw++);
        return undefined;
      case ':CALC:DATA:FREQ?':
        return frequencies()
          .map((hz) => hz.toPrecision(8))
          .join();
      case ':CALC:DATA:MLOG?':
        return levels.map((db) => db.toFixed(3)).join();
      default:
        throw new Error(`Undefined header ${command}`);
    }
  };
}

function levelsOf(
  connected: Connected | null,
  frequencyHz: readonly number[],
  seed: number,
): readonly number[] {
  if (connected === null) return frequencyHz.map(() => SWEEP_FLOOR_DB);
  if (connected.kind === 'pickup') return levelsOfPickup(connected, frequencyHz, seed);
  const { chain, exercise, sweep } = connected;
  const truth = exercise === 0 ? chain : exerciseOf(chain, exercise).truth;
  const found = new RigMeter(frequencyHz).levels(sweptChain(truth, sweep));
  return frequencyHz.map((_, i) => Math.max(SWEEP_FLOOR_DB, found?.[i] ?? SWEEP_FLOOR_DB));
}

/** Some level of its own: how much a driven coil gives is nobody’s business here. */
const DRIVEN_DB = -2;

function levelsOfPickup(
  { guitar, id, rLoadOhm, addedF }: Pickup,
  frequencyHz: readonly number[],
  seed: number,
): readonly number[] {
  const { lH, cWindingF, rEddyOhm, rDcOhm } = truthOf('guitar', guitar, id, seed);
  const values = { lH: lH.value, cWindingF: cWindingF.value, rEddyOhm: rEddyOhm.value };
  const load = { rDcOhm: rDcOhm.value, rLoadOhm, addedF };
  return frequencyHz.map((hz) => DRIVEN_DB + pickupLevelDb(values, load, hz));
}
