import type { Body } from './body';
import { typicalCase, type CaseRule, type CaseSide, type JackKind } from './case';
import type { DeviceClass } from './deviceClass';
import type { Device } from './device';
import { typicalNeed } from './powerNeed';

/// The case of a device: what its class usually has, until somebody holds a rule to it.

const rule = (
  width: number,
  depth: number,
  height: number,
  massKg: number,
  switches = 1,
): CaseRule => ({
  sizeM: [width, depth, height].map((mm) => mm / 1000) as never,
  massKg,
  switches,
});

const PEDAL = rule(70, 115, 50, 0.35);
const WIDE = rule(118, 112, 50, 0.5);

/** Size of the cases of a class, m; mass, kg. */
export const CASE_RULES: Readonly<Record<DeviceClass, CaseRule>> = {
  tuner: rule(72, 118, 48, 0.35),
  buffer: rule(42, 92, 32, 0.15, 0),
  preamp: WIDE,
  compressor: PEDAL,
  wah: rule(100, 250, 75, 1.4),
  lowImpedanceFuzz: PEDAL,
  fuzz: PEDAL,
  boost: rule(42, 92, 50, 0.2),
  drive: PEDAL,
  equaliser: PEDAL,
  octave: PEDAL,
  gate: PEDAL,
  modulation: PEDAL,
  delay: WIDE,
  reverb: WIDE,
  poweredVolume: rule(92, 255, 75, 1.2, 0),
  passiveVolume: rule(92, 255, 75, 1.2, 0),
  wireless: rule(100, 95, 42, 0.4, 0),
  tap: rule(60, 60, 32, 0.15, 0),
  passiveSplitter: rule(60, 110, 32, 0.2, 0),
  bufferedSplitter: rule(60, 110, 32, 0.2, 0),
  selector: rule(110, 70, 45, 0.3),
  switcher: rule(360, 85, 50, 1.6, 0),
};

/** Its jacks by what it is to the signal. A switcher has all of its loops at the back. */
function jacksOf(device: Device): readonly (readonly [JackKind, CaseSide])[] {
  const { deviceClass, insert, loops, sideJack } = device;
  const isSwitcher = insert === 'switched';
  return [
    ['in', 'right'],
    ...(deviceClass === 'selector' ? ([['in', 'back']] as const) : []),
    ...(deviceClass === 'gate' && insert === 'none' ? ([['in', 'back']] as const) : []),
    ['out', 'left'],
    ...(sideJack === 'none' ? [] : ([['side', 'back']] as const)),
    ...Array.from({ length: loops }, () => [
      ['send', isSwitcher ? 'back' : 'right'] as const,
      ['return', isSwitcher ? 'back' : 'left'] as const,
    ]).flat(),
    ...(isFed(device) ? ([['power', 'back']] as const) : []),
  ];
}

const isFed = ({ deviceClass, bypass, bufferIn, bufferOut, insert }: Device): boolean =>
  bypass !== 'passive' || bufferIn || bufferOut || insert === 'switched' || deviceClass === 'gate';

/** What a device of its kind usually is, as a thing. */
export function typicalBody(device: Device): Body {
  const { deviceClass, insert, loops } = device;
  const usual = CASE_RULES[deviceClass];
  const switches = insert === 'switched' ? Math.max(loops, 1) : usual.switches;
  return {
    ...typicalCase({ ...usual, switches }, jacksOf(device)),
    ...typicalNeed(deviceClass, isFed(device)),
    fails: '',
  };
}

/** The case of a device: its own, or what is assumed of its class. */
export const bodyOf = (device: Device): Body => device.body ?? typicalBody(device);
