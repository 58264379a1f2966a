import { wantsPickup, type Device } from '../gear';
import { formatQuantity, formatSignedDb } from '../quantity';
import type { Feed } from '../path';
import { sourceImpedanceOhm } from '../path';
import { findDevice } from '../rig';
import type { Judgement } from './judgement';
import type { Case } from './case';

/// What stands before a low-impedance fuzz.

/** At or below this a driver is resistive and low enough to change what the fuzz does, Ω. */
const LOW_OHM = 10_000;

const deviceAt = ({ rig }: Case, { from }: Feed): Device | undefined =>
  from.kind === 'device' ? findDevice(rig, from.id) : undefined;

const isLow = ({ source }: Feed): boolean => source.kind === 'voltage' && source.rOutOhm <= LOW_OHM;

/** Every low-impedance fuzz with what can drive it directly while it is engaged. */
export function judgeFuzzes(at: Case): readonly Judgement[] {
  return at.devices.filter(wantsPickup).flatMap((fuzz): Judgement[] => {
    const feeds = at.feeds.filter(({ to, toEngaged }) => to.id === fuzz.id && toEngaged);
    const wahs = feeds.filter((feed) => feed.engaged && deviceAt(at, feed)?.deviceClass === 'wah');
    const low = feeds.filter((feed) => isLow(feed) && !wahs.includes(feed));
    return [
      ...wahs.map((feed) => wahIntoFuzz(fuzz, deviceAt(at, feed)!)),
      ...low.map((feed) => lowInFront(at, fuzz, feed)),
    ];
  });
}

function wahIntoFuzz(fuzz: Device, wah: Device): Judgement {
  const [out, into] = [wah.on.rOutOhm.value, fuzz.on.rInOhm.value];
  const lossDb = 20 * Math.log10(into / (into + out));
  return {
    key: `wahIntoFuzz:${wah.id}:${fuzz.id}`,
    kind: 'wahIntoFuzz',
    weight: 'warning',
    spot: { kind: 'device', id: fuzz.id },
    title: `${wah.name} straight into ${fuzz.name}`,
    reason: `The fuzz loads the wah’s output, so that its sweep goes flat, and the two can oscillate. A buffer between them, or the fuzz first. That buffer is the exception to leaving the fuzz at the pickup.`,
    numbers: [
      ['the wah gives from', formatQuantity(out, 'resistance', 'metric')],
      ['the fuzz takes with', formatQuantity(into, 'resistance', 'metric')],
      ['level lost between', `${formatSignedDb(lossDb)} dB`],
    ],
    when: 'with both of them on and nothing on between',
    approaches: 'every',
  };
}

function lowInFront(at: Case, fuzz: Device, feed: Feed): Judgement {
  const driver = deviceAt(at, feed);
  const name = driver?.name ?? at.guitarName;
  const rOutOhm = feed.source.kind === 'voltage' ? feed.source.rOutOhm : 0;
  const pickupOhm = sourceImpedanceOhm({ source: at.route.source.circuit, path: [] }, 1000);
  const { kind, weight, title, reason } = sayInFront(at, fuzz, driver, name);
  return {
    key: `${kind}:${feed.from.id}:${fuzz.id}:${feed.engaged ? 'on' : 'off'}`,
    kind,
    weight,
    spot: { kind: 'device', id: fuzz.id },
    title,
    reason,
    numbers: [
      [`${name} gives from`, formatQuantity(rOutOhm, 'resistance', 'metric')],
      ['the guitar, at 1 kHz', formatQuantity(pickupOhm, 'resistance', 'metric')],
    ],
    when: sayWhen(driver, feed),
    approaches: 'every',
  };
}

/** Whether something low before a fuzz is the exception, made up for, or what the rule is about. */
function sayInFront(
  at: Case,
  fuzz: Device,
  driver: Device | undefined,
  name: string,
): Pick<Judgement, 'kind' | 'weight' | 'title' | 'reason'> {
  if (driver?.bypass === 'alwaysOn' && isAfterWah(at, driver))
    return {
      kind: 'bufferForWah',
      weight: 'note',
      title: `${name} keeps ${fuzz.name} from the pickup, for the wah’s sake`,
      reason:
        'It stands between wah and fuzz, where a buffer is needed: the exception to the rule. The guitar’s volume cleans the fuzz up less with it there.',
    };
  if (fuzz.pickupSimulator)
    return {
      kind: 'fuzzWantsPickup',
      weight: 'note',
      title: `${fuzz.name} is fed by ${name} through a pickup simulator`,
      reason:
        'The coil and the resistor ahead of it stand for the pickup: it cleans up with what drives it more like it would with the guitar. It is not the pickup.',
    };
  return {
    kind: 'fuzzWantsPickup',
    weight: 'warning',
    title: `${fuzz.name} is fed by ${name}, not by the pickup`,
    reason:
      'This fuzz wants the pickup itself. From a low impedance it turns harsher, and the guitar’s volume no longer cleans it up. Buffers go after it; where one has to come first, a pickup simulator helps.',
  };
}

/** Whether a wah can drive this device directly. */
const isAfterWah = (at: Case, device: Device): boolean =>
  at.feeds.some(
    (feed) => feed.to.id === device.id && feed.engaged && deviceAt(at, feed)?.deviceClass === 'wah',
  );

function sayWhen(driver: Device | undefined, { engaged }: Feed): string {
  if (!driver || driver.bypass === 'alwaysOn') return 'whenever the fuzz is on';
  return engaged ? `with ${driver.name} on` : `with ${driver.name} off: its bypass is buffered`;
}
