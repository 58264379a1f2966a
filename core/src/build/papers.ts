import type { UnitSystem } from '../quantity';
import { allDevices, type Rig } from '../rig';
import { sayCableM, type BuildCable } from './cableList';
import type { CutPlan } from './cutPlan';
import type { NeededPart } from './parts';
import type { StepState } from './stepState';
import type { CableState } from './progress';

/// Lists for the bench as tables of words: the page, CSV and PDF write the same.

export interface PaperTable {
  readonly title: string;
  readonly columns: readonly string[];
  /** Share of the width of each column. */
  readonly widths: readonly number[];
  readonly rows: readonly (readonly string[])[];
}

const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

export const cableTable = (
  cables: readonly BuildCable[],
  states: ReadonlyMap<string, CableState>,
  units: UnitSystem,
): PaperTable => ({
  title: 'Cables',
  columns: ['label', 'from', 'to', 'of', 'length', 'cut to', 'plugs', 'boots', 'state'],
  widths: [6, 19, 19, 14, 9, 9, 12, 7, 8],
  rows: cables.map((one) => [
    one.label,
    one.from,
    one.to,
    one.stock,
    plain(sayCableM(one.lengthM, units)),
    one.cutM > 0 ? plain(sayCableM(one.cutM, units)) : 'as bought',
    one.kind === 'audio' ? [...new Set(one.plugs)].join(', ') : '',
    one.boot,
    states.get(one.id) ?? 'to do',
  ]),
});

export const cutTable = (
  plans: readonly (readonly [stock: string, CutPlan])[],
  units: UnitSystem,
): PaperTable => ({
  title: 'Cuts',
  columns: ['from', 'long', 'pieces', 'left', 'then'],
  widths: [26, 12, 38, 12, 12],
  rows: plans.flatMap(([name, plan]) => [
    ...plan.cuts.map((cut) => [
      cut.stock.name,
      plain(sayCableM(cut.stock.lengthM, units)),
      cut.pieces
        .map(({ label, lengthM }) => `${label} ${plain(sayCableM(lengthM, units))}`)
        .join(', '),
      plain(sayCableM(cut.leftM, units)),
      cut.isKept ? 'keep' : 'waste',
    ]),
    ...(plan.uncut.length > 0
      ? [
          [
            name,
            'nothing at hand',
            plan.uncut
              .map(({ label, lengthM }) => `${label} ${plain(sayCableM(lengthM, units))}`)
              .join(', '),
            '',
            'buy',
          ],
        ]
      : []),
  ]),
});

/** What each button of a switcher switches, for the strips that are stuck above them. */
export const buttonTable = (rig: Rig): PaperTable => ({
  title: 'Buttons',
  columns: ['switcher', 'button', 'switches'],
  widths: [30, 10, 60],
  rows: allDevices(rig)
    .filter(({ insert }) => insert === 'switched')
    .flatMap(({ id, name, loops }) =>
      Array.from({ length: loops }, (_, i) => [name, String(i + 1), inLoop(rig, id, i)]),
    ),
});

function inLoop({ electrical }: Rig, device: string, loop: number): string {
  const row = electrical.rows.find(
    ({ at }) => at.kind === 'loop' && at.device === device && at.loop === loop,
  );
  return row?.devices.map(({ name }) => name).join(', ') || 'nothing';
}

const amount = (count: number, unit: NeededPart['unit']): string =>
  unit === 'm' ? `${count} m` : String(count);

/** What is missing, by supplier. */
export const orderTable = (parts: readonly NeededPart[]): PaperTable => ({
  title: 'To order',
  columns: [
    'what',
    'needed',
    'with spares',
    'at hand',
    'ordered',
    'to buy',
    'price',
    'supplier',
    'who buys',
  ],
  widths: [24, 9, 10, 8, 8, 9, 8, 13, 11],
  rows: [...parts]
    .sort((a, b) => a.supplier.localeCompare(b.supplier) || a.name.localeCompare(b.name))
    .map(({ name, unit, needed, wanted, missing, atHand, price, supplier }) => [
      name,
      amount(needed, unit),
      amount(wanted, unit),
      amount(atHand.owned + atHand.arrived, unit),
      amount(Math.max(0, atHand.ordered - atHand.arrived), unit),
      amount(missing, unit),
      price === null ? '' : (price * missing).toFixed(2),
      supplier,
      atHand.buyer,
    ]),
});

export const stepTable = (steps: readonly StepState[]): PaperTable => ({
  title: 'Order of work',
  columns: ['', 'what', 'how', 'minutes', 'tools', 'mind'],
  widths: [4, 28, 26, 8, 13, 21],
  rows: steps.map(({ step, isDone }) => [
    isDone ? 'x' : '',
    step.says,
    step.detail,
    String(Math.round(step.minutes)),
    step.tools.join(', '),
    step.caution,
  ]),
});
