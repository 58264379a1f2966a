import {
  formatNumber,
  formatQuantity,
  type Failure,
  type FedThing,
  type OutletState,
  type PowerNeed,
  type Rig,
} from '@gullwind/core';

/// What the page of the power calls things.

export const volts = (value: number): string => formatQuantity(value, 'voltage', 'metric');
export const amps = (value: number): string => formatQuantity(value, 'current', 'metric');
/** Small ones in mV. */
export const sayDrop = (value: number): string =>
  value < 0.1 ? `${formatNumber(value * 1000, value < 0.01 ? 1 : 0)}\u00a0mV` : volts(value);
export const watts = (value: number): string => formatQuantity(value, 'power', 'metric');
export const percent = (share: number): string =>
  Number.isFinite(share) ? `${formatNumber(share * 100, 0)}\u00a0%` : '–';

export const sayWants = ({ supplyV, supplyMaxV, supplyA, polarity }: PowerNeed): string => {
  const to = supplyMaxV.value > supplyV.value ? `–${volts(supplyMaxV.value)}` : '\u00a0V';
  const middle = { centreNegative: '−', centrePositive: '+', ac: 'AC', none: '' }[polarity];
  return `${formatNumber(supplyV.value, 1)}${to}, ${amps(supplyA.value)}, ${middle}${polarity === 'ac' ? '' : ' in the middle'}`;
};

/** "35 of 100 mA" */
export const sayLoad = ({ amps: drawn, setting }: OutletState): string => {
  const [of, unit] = amps(setting.amps).split('\u00a0');
  return setting.amps >= 1
    ? `${amps(drawn)} of ${amps(setting.amps)}`
    : `${formatNumber(drawn * 1000, drawn < 0.01 ? 1 : 0)} of ${of}\u00a0${unit}`;
};

export const sayOutletHead = ({ outlet, setting, supply, group }: OutletState): string => {
  const { polarity, ground } = supply.groups[group]!;
  const kind = polarity === 'ac' ? ' AC' : polarity === 'centrePositive' ? ' +' : '';
  return `${outlet + 1} · ${volts(setting.volts)}${kind}${ground === 'shared' ? ' shared' : ''}`;
};

const BETWEEN = { straight: '', reversed: 'polarity adaptor', doubled: 'doubler' } as const;

/** What is between the outlet and a thing, in words; empty where nothing is. */
export const sayBetween = ({ feed }: FedThing): string =>
  feed.second === null ? BETWEEN[feed.via] : `in series with ${feed.second + 1}`;

/** "12 h", "3 days" */
export function sayLasts(seconds: number): string {
  const hours = seconds / 3600;
  return hours < 48
    ? `${formatNumber(hours, hours < 10 ? 1 : 0)} h`
    : `${formatNumber(hours / 24, 0)} days`;
}

export const nameOfSource = ({ power }: Rig, { source }: Failure): string => {
  if (source.of === 'mains') return 'The mains';
  const name = power.supplies.find(({ id }) => id === source.supply)?.name ?? source.supply;
  return source.of === 'supply' ? name : `${name}, outlet ${source.outlet + 1}`;
};

/** What is picked on the delta. */
export type Picked =
  | { readonly of: 'nothing' }
  | { readonly of: 'thing'; readonly id: string }
  | { readonly of: 'supply'; readonly id: string }
  | { readonly of: 'outlet'; readonly supply: string; readonly outlet: number };

export const NOTHING: Picked = { of: 'nothing' };

export const isSamePick = (one: Picked, other: Picked): boolean =>
  JSON.stringify(one) === JSON.stringify(other);
