import type { PowerNeed } from '../gear';
import { formatQuantity } from '../quantity';
import type { Feeding, Rig } from '../rig';
import type { PowerFault } from './faults';
import { feedingsOf } from './feeding';

/// What is wrong, in words of who holds the plug.

type Named = Pick<Rig, 'electrical' | 'layout' | 'power'>;

export const sayVolts = (volts: number): string => formatQuantity(volts, 'voltage', 'metric');
export const sayAmps = (amps: number): string => formatQuantity(amps, 'current', 'metric');
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** An outlet as it is counted on the case: from 1. */
export const sayOutlet = (supplyName: string, outlet: number): string =>
  `${supplyName}, outlet ${outlet + 1}`;

const list = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** What the habits are called in a sentence. */
const ASKED: Readonly<Record<Feeding, string>> = {
  isolated: 'you want every outlet by itself',
  quietShare: 'only quiet ones may share',
  chain: 'one of them wants an outlet of its own',
};

/** One sentence about what is wrong, and what it may do. */
export function sayPowerFault(rig: Named, fault: PowerFault): string {
  const names = namesOf(rig);
  return 'consumer' in fault ? aboutThing(names, fault) : aboutOutlet(rig, names, fault);
}

interface Names {
  readonly of: (consumer: string) => string;
  readonly need: (consumer: string) => PowerNeed;
  readonly supply: (id: string) => string;
  readonly outlet: (supply: string, outlet: number | null) => string;
}

function namesOf(rig: Named): Names {
  const { consumers } = feedingsOf(rig);
  const supply = (id: string): string =>
    rig.power.supplies.find((one) => one.id === id)?.name ?? id;
  return {
    of: (id) => consumers.find((one) => one.id === id)?.name ?? id,
    need: (id) => consumers.find((one) => one.id === id)!.need,
    supply,
    outlet: (id, outlet) => (outlet === null ? supply(id) : sayOutlet(supply(id), outlet)),
  };
}

type ThingFault = Extract<PowerFault, { readonly consumer: string }>;
type OutletFault = Exclude<PowerFault, ThingFault>;

const LOOSE = {
  supply: 'the supply that it hung on is gone.',
  outlet: 'it hangs on an outlet that is not there.',
  chain: 'it goes on from something that is not on its outlet.',
} as const;

function aboutThing(names: Names, fault: ThingFault): string {
  const name = names.of(fault.consumer);
  switch (fault.kind) {
    case 'unfed':
      return `${name} is fed by nothing.`;
    case 'loose':
      return `${name}: ${LOOSE[fault.why]}`;
    case 'setting':
      return `${name}: its outlet cannot be set to ${sayVolts(fault.volts)}.`;
    case 'acIntoDc':
      return `AC into ${name}, which takes DC: it may be destroyed. Do not plug it in.`;
    case 'dcIntoAc':
      return `${name} wants AC; this outlet gives DC: it will not work.`;
    case 'polarity':
      return polarityWords(name, names.need(fault.consumer).polarity);
    case 'doublerOnAc':
      return `${name}: a doubler takes DC, and this outlet gives AC.`;
    case 'series':
      return `${name}: ${SERIES[fault.why]}`;
    default:
      return aboutVoltage(name, range(names.need(fault.consumer)), fault);
  }
}

function aboutVoltage(
  name: string,
  wants: string,
  { kind, volts }: Extract<PowerFault, { kind: 'overVoltage' | 'underVoltage' | 'drop' }>,
): string {
  switch (kind) {
    case 'overVoltage':
      return `${sayVolts(volts)} into ${name}, which takes ${wants}: it may be destroyed. Do not plug it in.`;
    case 'underVoltage':
      return `${name} wants ${wants} and gets ${sayVolts(volts)}: it may distort early, or not start.`;
    case 'drop':
      return `${name} wants ${wants}, and ${sayVolts(volts)} arrive: the rest is lost in its cable.`;
  }
}

function aboutOutlet(rig: Named, names: Names, fault: OutletFault): string {
  switch (fault.kind) {
    case 'settings':
      return `${names.outlet(fault.supply, fault.outlet)}: what hangs on it asks for different voltages.`;
    case 'grounds':
      return `${list(fault.consumers.map(names.of))} have their audio ground at different poles: on one ground the supply is shorted through the audio cable.`;
    case 'plugs':
      return `${names.outlet(fault.supply, fault.outlet)}: ${list(fault.consumers.map(names.of))} all want the same socket. Hang one behind the other.`;
    case 'overload':
    case 'overFull':
      return shareWords(rig, names.outlet(fault.supply, fault.outlet), fault);
    case 'sharing': {
      const on =
        fault.outlet === null
          ? `the ground of ${names.supply(fault.supply)}`
          : names.outlet(fault.supply, fault.outlet);
      return `${list(fault.consumers.map(names.of))} share ${on}; ${ASKED[fault.feeding]}.`;
    }
  }
}

const range = ({ supplyV, supplyMaxV }: PowerNeed): string =>
  supplyMaxV.value > supplyV.value
    ? `${sayVolts(supplyV.value)} to ${sayVolts(supplyMaxV.value)}`
    : sayVolts(supplyV.value);

const polarityWords = (name: string, wanted: string): string =>
  `${name} wants ${wanted === 'centrePositive' ? 'plus' : 'minus'} in the middle and gets ${wanted === 'centrePositive' ? 'minus' : 'plus'}: it may be destroyed. Do not plug it in without a polarity adaptor.`;

const SERIES = {
  shared: 'two outlets on one ground in series are a short circuit.',
  itself: 'an outlet cannot be in series with itself.',
  used: 'the second outlet in series already feeds something.',
  ac: 'only DC outlets go in series.',
  opposed:
    'two outlets in series have to have the same pole in the middle; these work against each other.',
} as const;

function shareWords(
  rig: Named,
  where: string,
  fault: Extract<PowerFault, { kind: 'overload' | 'overFull' }>,
): string {
  const fill = rig.power.fill.value;
  const supply = feedingsOf(rig).supplies.find((one) => one.supply.id === fault.supply)!;
  const outlet = fault.outlet === null ? null : supply.outlets[fault.outlet]!;
  const drawn = outlet ? sayAmps(outlet.amps) : formatQuantity(supply.watts, 'power', 'metric');
  const given = outlet
    ? sayAmps(outlet.setting.amps)
    : formatQuantity(supply.mostW, 'power', 'metric');
  return fault.kind === 'overload'
    ? `${where} gives ${given}, and ${drawn} are drawn: it may hum, cut out or overheat.`
    : `${where} is filled to ${percent(fault.share)}: ${drawn} of ${given}, over the line at ${percent(fill)}.`;
}
