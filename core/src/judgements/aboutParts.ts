import type { Section } from '../circuit';
import { deviceOfClass, type Device, type Side } from '../gear';
import { formatQuantity, formatSignedDb } from '../quantity';
import { inputLoad, sideSource, type DrivenSection } from '../path';
import { findDevice, isEngaged } from '../rig';
import { changeOf, type Case } from './case';
import type { Judgement, JudgementNumber } from './judgement';

/// Parts that cost more than they need to in the place where they are.

const PLAIN_DB = 0.5;
const ohm = (value: number) => formatQuantity(value, 'resistance', 'metric');
const db = (value: number) => `${formatSignedDb(value, 2)} dB`;

const isPassive = ({ circuit }: DrivenSection): boolean => circuit.source.kind !== 'voltage';

/** A bypassed pedal whose input stays on a line that the pickup drives. */
export function judgeHardwiredBypasses({ rig, path, analysis }: Case): readonly Judgement[] {
  return path.sections.filter(isPassive).flatMap(({ connections }) =>
    connections.flatMap((connection): Judgement[] => {
      const { spot } = path.stops[connection]!;
      const device = spot.kind === 'device' ? findDevice(rig, spot.id) : undefined;
      const cost = analysis.lossByPart.find(
        ({ stop, kind }) => stop === connection && kind === 'bypass',
      );
      if (!device || device.bypass !== 'hardwired' || !cost) return [];
      const { trebleDb, levelDb } = cost.gain;
      if (Math.max(Math.abs(trebleDb), Math.abs(levelDb)) < PLAIN_DB / 2) return [];
      return [
        {
          key: `hardwiredBypass:${device.id}`,
          kind: 'hardwiredBypass',
          weight: Math.max(trebleDb, levelDb) >= PLAIN_DB ? 'warning' : 'note',
          spot: { kind: 'device', id: device.id },
          title: `${device.name} loads the pickup even while it is off`,
          reason:
            'Its input stays hung on the line. Convert it to true bypass, move it after a buffer, or put it in a loop. With the guitar turned down it can even raise the treble while it takes level, so look at both.',
          numbers: [
            ['treble it takes', db(-trebleDb)],
            ['level it takes', db(-levelDb)],
            ['its input', ohm(device.off.rInOhm.value)],
          ],
          when: 'as the switches stand, and whenever the pickup drives it',
          approaches: 'every',
        },
      ];
    }),
  );
}

const SMALL_POT_OHM = 200e3;
const LARGE_POT_OHM = 100e3;
const HALF_WAY = 0.5;

/** A passive volume whose track does not fit what drives it. */
export function judgePots(at: Case): readonly Judgement[] {
  const { rig, path, analysis } = at;
  return path.sections.flatMap((section) =>
    section.connections.flatMap((connection): Judgement[] => {
      const { spot } = path.stops[connection]!;
      const device = spot.kind === 'device' ? findDevice(rig, spot.id) : undefined;
      if (!device?.pot || spot.part !== 'whole') return [];
      const track = device.pot.potOhm.value;
      const cost = analysis.lossByPart.find(({ stop }) => stop === connection)?.gain;
      const turned = turnedDown(at, section, connection);
      const passive = isPassive(section);
      const isWrong = passive ? track < SMALL_POT_OHM : track > LARGE_POT_OHM;
      if (!isWrong) return [];
      const numbers: JudgementNumber[] = [
        ['its track', ohm(track)],
        ...(cost ? ([['full up it takes', db(-cost.trebleDb)]] as const) : []),
        ['half down, treble', db(turned)],
        ['its output reaches', ohm(track / 4)],
      ];
      return [
        {
          key: `${passive ? 'potTooSmall' : 'potTooLarge'}:${device.id}`,
          kind: passive ? 'potTooSmall' : 'potTooLarge',
          weight: 'warning',
          spot: { kind: 'device', id: device.id },
          title: `${device.name} has the wrong track for its place`,
          reason: passive
            ? 'A small track after the pickup loads it all night: 250 to 500 kΩ belong here. 25 kΩ belong after a buffer.'
            : 'After a low impedance a large track dulls when it is turned down, because its own output gets high: 25 kΩ belong here. A powered volume is the other way out.',
          numbers,
          when: 'as the switches stand',
          approaches: 'every',
        },
      ];
    }),
  );
}

/** How treble changes when a volume's wiper goes half way down in voltage. */
function turnedDown({ meter, path }: Case, section: DrivenSection, connection: number): number {
  const at = (wiper: number): Section => ({
    ...section.circuit,
    path: section.connections.flatMap((other) =>
      path.stops[other]!.elements.map((element) =>
        other === connection && element.kind === 'pot' ? { ...element, wiper } : element,
      ),
    ),
  });
  return meter.measure(at(HALF_WAY)).trebleDb - meter.measure(at(1)).trebleDb;
}

const GOOD = deviceOfClass('buffer', '').on;

/** Buffers that cost more here than an ordinary good one in their place would. */
export function judgeBuffers(at: Case): readonly Judgement[] {
  return buffersOf(at).flatMap(({ device, side, stop }): Judgement[] => {
    const isInput = ({ endsAt }: DrivenSection) => endsAt === stop;
    const isOutput = ({ driver }: DrivenSection) => driver === stop;
    const { sections } = at.path;
    const part = (input: boolean, output: boolean) =>
      changeOf(at, (circuit, i) => {
        let now = circuit;
        if (input && isInput(sections[i]!)) now = { ...now, load: inputLoad(GOOD) };
        if (output && isOutput(sections[i]!)) now = { ...now, source: sideSource(GOOD) };
        return now;
      });
    const [whole, input, output] = [part(true, true), part(true, false), part(false, true)];
    const worst = Math.max(Math.abs(whole.trebleDb), Math.abs(whole.levelDb));
    if (worst < PLAIN_DB || whole.trebleDb + whole.levelDb < 0) return [];
    return [
      {
        key: `poorBuffer:${device.id}`,
        kind: 'poorBuffer',
        weight: worst >= 1 ? 'warning' : 'note',
        spot: { kind: 'device', id: device.id },
        title: `${device.name} is a poor buffer for this place`,
        reason:
          'Buffers differ. Judged by what it does here against an ordinary good one (1 MΩ in, 150 Ω out, no loss) in the same spot.',
        numbers: [
          ['treble by its input', db(-input.trebleDb)],
          ['treble by its output', db(-output.trebleDb)],
          ['level, with its gain', db(-whole.levelDb)],
          ['in, out', `${ohm(side.rInOhm.value)}, ${ohm(side.rOutOhm.value)}`],
        ],
        when: 'as the switches stand',
        approaches: 'every',
      },
    ];
  });
}

export interface ActingBuffer {
  readonly device: Device;
  readonly side: Side;
  readonly stop: number;
}

/** What drives without being an effect that is on: buffers, and bypasses that are buffered. */
export function buffersOf({ rig, path }: Case): readonly ActingBuffer[] {
  return path.stops.flatMap(({ spot, role, engaged }, stop): ActingBuffer[] => {
    const device =
      role === 'driver' && spot.part === 'whole' ? findDevice(rig, spot.id) : undefined;
    if (!device) return [];
    const isBuffer = device.deviceClass === 'buffer' || !isEngaged(rig, device);
    return isBuffer ? [{ device, side: engaged ? device.on : device.off, stop }] : [];
  });
}

const MANY = 4;

/** Many in a row add up their gain errors and their noise. */
export function judgeMany(at: Case): readonly Judgement[] {
  const buffers = buffersOf(at);
  const oneIsEnough = at.rig.electrical.approach.kind === 'oneBuffer';
  if (buffers.length < (oneIsEnough ? 2 : MANY)) return [];
  const gainDb = buffers.reduce((sum, { side }) => sum + side.gainDb.value, 0);
  return [
    {
      key: 'manyBuffers:',
      kind: 'manyBuffers',
      weight: 'note',
      spot: { kind: 'device', id: buffers[1]!.device.id },
      title: `${buffers.length} buffers in a row`,
      reason: oneIsEnough
        ? 'One good one early is what this rig wants; the others change nothing for the pickup.'
        : 'After the first one the pickup no longer notices. Every further one adds its gain error and a little noise.',
      numbers: [
        ['their gains together', db(gainDb)],
        ['they are', buffers.map(({ device }) => device.name).join(', ')],
      ],
      when: 'as the switches stand',
      approaches: oneIsEnough ? ['oneBuffer'] : 'every',
    },
  ];
}
