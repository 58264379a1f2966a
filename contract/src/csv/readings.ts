import {
  fitCable,
  formatNumber,
  NO_QUALITIES,
  type GearItem,
  type Cable,
  type CableFit,
  type Sourced,
  type FieldRule,
} from '@gullwind/core';
import { readNumberCell, unguardCell } from './cells';
import type { DecimalMark } from './decimals';
import { NUMBER_RULES, WHOLE_CABLE, type ColumnTarget } from './columns';

/// Cables by a meter: capacitance of whole cables, and what a metre of them has.

export interface Reading {
  readonly totalF: number | null;
  readonly lengthM: number | null;
  readonly on: string | undefined;
  readonly by: string | undefined;
}

/** What a row says of a reading; null where the table has no such columns. */
export function readingsIn(
  columns: readonly ColumnTarget[],
  cells: readonly string[],
  mark: DecimalMark | null,
  refuse: (message: string) => never,
): Reading | null {
  let reading: Reading = { totalF: null, lengthM: null, on: undefined, by: undefined };
  for (const [i, target] of columns.entries()) {
    const text = unguardCell((cells[i] ?? '').trim());
    if (text !== '') reading = { ...reading, ...readCell(target, text, mark, refuse) };
  }
  return reading.totalF === null ? null : reading;
}

/** What one cell says of a reading; nothing where its column is about something else. */
function readCell(
  target: ColumnTarget,
  text: string,
  mark: DecimalMark | null,
  refuse: (message: string) => never,
): Partial<Reading> {
  const number = (rule: FieldRule, unit: string): number => {
    const read = readNumberCell(rule, text, unit, mark);
    return read.kind === 'ok' ? read.si : refuse(read.message);
  };
  if (target.kind === 'number' && target.path === 'lengthM')
    return { lengthM: number(NUMBER_RULES.lengthM!, target.unit) };
  if (target.kind !== 'reading') return {};
  if (target.column === 'totalF') return { totalF: number(WHOLE_CABLE, target.unit) };
  return { [target.column]: text };
}

interface Measured {
  readonly item: GearItem;
  readonly reading: Reading;
}

/** Entries made of the readings of one name: one for the kind where there are several lengths of it. */
export function withReadings(
  group: readonly Measured[],
  refuse: (message: string) => never,
): { readonly items: readonly GearItem[]; readonly note: string | null } {
  for (const { item, reading } of group) {
    if (item.kind !== 'cable') return refuse(`${WHOLE_CABLE.label}: a ${item.kind} has none.`);
    if (reading.lengthM === null || reading.lengthM <= 0)
      return refuse(
        'Cable length: it is needed, above 0 m, beside the capacitance of the whole cable.',
      );
    if (!(reading.totalF! > 0 && reading.totalF! <= WHOLE_CABLE.max))
      return refuse(`${WHOLE_CABLE.label}: it is not above 0 pF and up to 1 µF.`);
  }
  const readings = group.map(({ reading }) => ({
    lengthM: reading.lengthM!,
    totalF: reading.totalF!,
  }));
  const fit = fitCable(readings);
  if (fit.kind === 'single') return { items: group.map((one) => single(one)), note: null };
  if (fit.cPerMF <= 0) return refuse('The longer of these cables read less than the shorter ones.');
  const item = fitted(group, fit);
  return { items: [item], note: sayFit(item.thing.name, group.length, fit) };
}

const originOf = ({ on, by }: Reading): Omit<Sourced, 'value'> => ({
  from: 'measured',
  ...(on ? { on } : {}),
  ...(by ? { by } : {}),
});

/** C / ℓ of one cable; its plugs are in it. */
function single({ item, reading }: Measured): GearItem {
  const thing = item.thing as Cable;
  const origin = originOf(reading);
  const cable: Cable = {
    ...thing,
    lengthM: { ...origin, value: reading.lengthM! },
    cPerMF: { ...origin, value: reading.totalF! / (reading.lengthM! * thing.coil.value) },
    plugF: { value: 0, from: 'measured', by: 'in the capacitance per metre' },
  };
  return { ...item, thing: cable } as GearItem;
}

/** Twice its standard error as a share, where three readings or more say it. */
const shareOf = (error: number, value: number): Partial<Sourced> => {
  const share = (2 * error) / value;
  return share > 0 && share <= 1 ? { tolerance: share } : {};
};

function fitted(group: readonly Measured[], fit: Extract<CableFit, { kind: 'line' }>): GearItem {
  const last = group.at(-1)!;
  const thing = last.item.thing as Cable;
  const origin = originOf(last.reading);
  const longest = Math.max(...group.map(({ reading }) => reading.lengthM!));
  const perM = fit.cPerMF / thing.coil.value;
  const cable: Cable = {
    ...thing,
    lengthM: { ...origin, value: longest },
    cPerMF: { ...origin, value: perM, ...shareOf(fit.cPerMErrorF, fit.cPerMF) },
    plugF: { ...origin, value: fit.plugsF / 2, ...shareOf(fit.plugsErrorF, fit.plugsF) },
  };
  const { qualities } = last.item;
  const form = qualities.form ?? 'reel';
  return {
    ...last.item,
    thing: cable,
    qualities: { ...NO_QUALITIES, ...qualities, form },
  } as GearItem;
}

const pF = (farad: number): string => formatNumber(farad * 1e12, 1);

function sayFit(name: string, count: number, fit: Extract<CableFit, { kind: 'line' }>): string {
  const error = count > 2 ? ` ± ${pF(2 * fit.cPerMErrorF)}` : '';
  return `${name}: ${count} readings make ${pF(fit.cPerMF)}${error} pF/m and ${pF(fit.plugsF / 2)} pF for each plug.`;
}
