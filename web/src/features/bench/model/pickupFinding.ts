import type { SentMeasurement } from '@gullwind/contract';
import {
  formatNumber,
  formatQuantity,
  type ItemOf,
  type PickupFit,
  type PickupRun,
  type UnitSystem,
} from '@gullwind/core';
import type { Found } from './found';

interface PickupFinding {
  readonly words: string;
  readonly doubt: string;
  readonly values: readonly Found[];
  readonly sent: Omit<SentMeasurement, 'instrument' | 'isSimulated'>;
}

/** What a fit of responses says of a pickup, and what it does not. */
export function pickupFinding(
  fit: PickupFit,
  runs: readonly PickupRun[],
  item: ItemOf<'guitar'>,
  units: UnitSystem,
): PickupFinding {
  const values = fit.kind === 'fitted' ? foundIn(fit) : [];
  const words = sayFit(fit, units);
  return {
    words,
    doubt: sayDoubt(fit),
    values,
    sent: {
      job: 'pickup',
      rig: null,
      gear: item.id,
      subject: item.thing.name,
      readings: [],
      responses: runs.map(({ frequencyHz, levelDb, rDcOhm, rLoadOhm, addedF }) => ({
        label: formatQuantity(addedF, 'capacitance', units),
        frequencyHz,
        levelDb,
        conditions: { rDcOhm, rLoadOhm, addedF },
      })),
      figures: values.map(({ field, value, error }) => ({
        label: field,
        quantity: QUANTITIES[field as keyof typeof QUANTITIES],
        value,
        error,
      })),
      words,
      by: '',
      note: '',
    },
  };
}

const QUANTITIES = {
  lH: 'inductance',
  cWindingF: 'capacitance',
  rEddyOhm: 'resistance',
} as const;

const foundIn = ({ values, relativeSd }: Extract<PickupFit, { kind: 'fitted' }>): Found[] =>
  (['lH', 'cWindingF', 'rEddyOhm'] as const).map((field) => ({
    field,
    value: values[field],
    error: relativeSd[field] * values[field],
  }));

function sayFit(fit: PickupFit, units: UnitSystem): string {
  switch (fit.kind) {
    case 'tooFew':
      return `${fit.points} points are too few; it takes ${fit.least}.`;
    case 'undetermined': {
      const where =
        fit.resonanceHz === null
          ? 'It has no resonance here.'
          : `It resonates at ${formatQuantity(fit.resonanceHz, 'frequency', units)} with Q ${formatNumber(fit.q!, 2)}.`;
      return `${where} One response cannot tell inductance from winding capacitance: a second one with another known capacitance can.`;
    }
    case 'fitted': {
      const say = (field: keyof typeof QUANTITIES) =>
        `${formatQuantity(fit.values[field], QUANTITIES[field], units)} ± ${formatNumber(200 * fit.relativeSd[field], 1)} %`;
      return `L ${say('lH')}, winding capacitance ${say('cWindingF')}, eddy resistance ${say('rEddyOhm')}; ${formatNumber(fit.rmsDb, 2)} dB left (RMS).`;
    }
  }
}

function sayDoubt(fit: PickupFit): string {
  if (fit.kind === 'tooFew') return '';
  const aside =
    fit.outliers.length > 0
      ? `${fit.outliers.length} ${fit.outliers.length === 1 ? 'point was' : 'points were'} left aside: far from all others. `
      : '';
  return fit.isMisfit
    ? `${aside}The curve does not fit as it should: look at the load and the capacitances that were entered.`
    : aside;
}
