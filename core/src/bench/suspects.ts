import { FIELD_RULES, type Cable, type Device, type RigKind, type Sourced } from '../gear';
import { nameCable } from '../figures';
import { formatQuantity, type UnitSystem } from '../quantity';
import {
  allCables,
  allDevices,
  hasSwitch,
  isEngaged,
  playingGuitar,
  readNumber,
  withElectricalPart,
  writeAt,
  type Chain,
} from '../rig';
import { toleranceOf } from '../tolerance';

/// What may be another than a rig says, part by part: one value, or one choice, at a time.

/** One way in which a part may be another. */
export interface Alternative {
  /** The chain with it; x is the logarithm of the change, ignored where there is nothing to vary. */
  readonly apply: (x: number) => Chain;
  /** Of x; null where it is one choice. */
  readonly range: readonly [from: number, to: number] | null;
  /** |x| up to which nothing need be wrong: twice σ. */
  readonly toleranceX: number;
  /** How far-fetched it is: of parts that cannot be told apart the one that changes least comes first. */
  readonly strain: (x: number) => number;
  /** "acts like 6 m instead of 3 m". */
  readonly say: (x: number) => string;
}

export interface Suspect {
  readonly kind: RigKind;
  readonly id: string;
  readonly name: string;
  readonly alternatives: readonly Alternative[];
}

/** A value may be this many times more or less. */
const MOST_TIMES = 10;
const FACTORS: Alternative['range'] = [-Math.log(MOST_TIMES), Math.log(MOST_TIMES)];

/** Everything along a chain that could explain a curve. */
export function suspectsOf(chain: Chain, units: UnitSystem): readonly Suspect[] {
  const guitar = playingGuitar(chain);
  const values = valueOf(chain, units);
  const end = chain.electrical.destinations[0]!;
  const ofGuitar = {
    magnetic: ['lH', 'rDcOhm', 'cWindingF', 'rEddyOhm', 'volume.potOhm', 'tone.potOhm', 'toneF'],
    piezo: ['piezoF'],
    active: ['outputOhm'],
  }[guitar.kind];
  const ofEnd = end.input === 'plain' ? ['rInOhm', 'cInF'] : ['rInOhm', 'stopperOhm', 'millerF'];
  return [
    {
      kind: 'guitar',
      id: guitar.id,
      name: guitar.name,
      alternatives: ofGuitar.map((path) => values('guitar', guitar, path)),
    },
    ...allCables(chain).map((cable) => ({
      kind: 'cable' as const,
      id: cable.id,
      name: nameCable(chain, cable.id),
      alternatives: alternativesOfCable(chain, cable, units),
    })),
    ...allDevices(chain).map((device) => ({
      kind: 'device' as const,
      id: device.id,
      name: device.name,
      alternatives: alternativesOfDevice(chain, device, units),
    })),
    {
      kind: 'destination',
      id: end.id,
      name: end.name,
      alternatives: ofEnd.map((path) => values('destination', end, path)),
    },
  ];
}

/** One number of a part, more or less by a factor. */
const valueOf =
  (chain: Chain, units: UnitSystem) =>
  (of: RigKind, part: { readonly id: string }, path: string): Alternative => {
    const before = readNumber(part, path)!;
    const rule = (
      FIELD_RULES[of] as Readonly<Record<string, (typeof FIELD_RULES)['cable']['lengthM']>>
    )[path]!;
    const within = (value: number) => Math.min(rule.max, Math.max(rule.min, value));
    const at = (x: number): Sourced => ({ ...before, value: within(before.value * Math.exp(x)) });
    const say = (value: number) => formatQuantity(value, rule.quantity, units);
    return {
      apply: (x) => withElectricalPart(chain, { of, id: part.id }, writeAt(part, path, at(x))),
      range: FACTORS,
      toleranceX: Math.log1p(toleranceOf(of, path, before)),
      strain: Math.abs,
      say: (x) => `${rule.label}: acts like ${say(at(x).value)} instead of ${say(before.value)}`,
    };
  };

/** Something broken or of another make is about as far-fetched as a value twice or half of what it should be. */
const OF_A_FAULT = Math.log(2);

/** Between tip and sleeve: from a short to what is not felt any more, Ω. */
const LEAST_LEAK_OHM = 0.1;
const MOST_LEAK_OHM = 10e6;
/** Less than this is called a short. */
const SHORT_OHM = 100;

function alternativesOfCable(
  chain: Chain,
  cable: Cable,
  units: UnitSystem,
): readonly Alternative[] {
  const put = (part: Cable) => withElectricalPart(chain, { of: 'cable', id: cable.id }, part);
  const share = Math.hypot(
    toleranceOf('cable', 'cPerMF', cable.cPerMF),
    toleranceOf('cable', 'lengthM', cable.lengthM),
  );
  const length = (x: number) => formatQuantity(cable.lengthM.value * Math.exp(x), 'length', units);
  const perM = (x: number) => `${Math.round(cable.cPerMF.value * Math.exp(x) * 1e12)}\u00a0pF/m`;
  return [
    {
      // Its length and its kind do the same: only what it has in all is heard.
      apply: (x) =>
        put({ ...cable, lengthM: { ...cable.lengthM, value: cable.lengthM.value * Math.exp(x) } }),
      range: FACTORS,
      toleranceX: Math.log1p(share),
      strain: Math.abs,
      say: (x) =>
        `acts like ${length(x)} instead of ${length(0)}, or like ${perM(x)} instead of ${perM(0)}`,
    },
    {
      apply: (x) => put({ ...cable, leakOhm: Math.exp(x) }),
      range: [Math.log(LEAST_LEAK_OHM), Math.log(MOST_LEAK_OHM)],
      toleranceX: -Infinity,
      strain: () => OF_A_FAULT,
      say: (x) =>
        Math.exp(x) < SHORT_OHM
          ? 'acts as if it were shorted, tip on sleeve'
          : `acts as if it leaked from tip to sleeve by ${formatQuantity(Math.exp(x), 'resistance', units)}`,
    },
  ];
}

const BYPASS_WORDS = {
  true: 'acts as if its bypass were a true one',
  buffered: 'acts as if its bypass were buffered',
  hardwired: 'acts as if its input stayed on the line while it is off',
} as const;

function alternativesOfDevice(
  chain: Chain,
  device: Device,
  units: UnitSystem,
): readonly Alternative[] {
  const number = (path: string) => valueOf(chain, units)('device', device, path);
  const choice = (apply: () => Chain, words: string): Alternative => ({
    apply,
    range: null,
    toleranceX: 0,
    strain: () => OF_A_FAULT,
    say: () => words,
  });
  if (device.pot) return [number('pot.potOhm')];
  const isOn = isEngaged(chain, device);
  const numbers = (side: 'on' | 'off') =>
    ['rInOhm', 'cInF', 'rOutOhm'].map((key) => number(`${side}.${key}`));
  if (!hasSwitch(device)) return device.bypass === 'alwaysOn' ? numbers('on') : [number('strayF')];
  const positions = { ...chain.state.positions, [device.id]: !isOn };
  const switched = choice(
    () => ({ ...chain, state: { ...chain.state, positions } }),
    isOn ? 'acts as if it were off' : 'acts as if it were on',
  );
  if (isOn) return [...numbers('on'), switched];
  const { bypass, bypassChoice } = device;
  const now = bypass === 'switchable' ? bypassChoice : bypass;
  const others = (['true', 'buffered', 'hardwired'] as const).filter((kind) => kind !== now);
  return [
    ...others.map((kind) =>
      choice(
        () =>
          withElectricalPart(chain, { of: 'device', id: device.id }, { ...device, bypass: kind }),
        BYPASS_WORDS[kind],
      ),
    ),
    ...(now === 'buffered' ? numbers('off') : [number('strayF')]),
    ...(now === 'hardwired' ? [number('off.rInOhm')] : []),
    switched,
  ];
}
