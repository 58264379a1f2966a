import type { SentMeasurement } from '@gullwind/contract';
import type { GearItem, ItemEdit, Sourced } from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { messageOf } from '../../app/api';
import { useAddMeasurementMutation } from '../../app/benchApi';
import { newId } from '../../app/newId';
import { today } from '../../app/today';
import { useGearActions } from '../gear';
import type { Chosen } from './instruments';

/** A value to be taken into the gear list. */
export interface Found {
  readonly field: string;
  readonly value: number;
  /** 1σ, in the unit of the value; null where it is only as good as its kind usually is. */
  readonly error: number | null;
}

/** Nothing is known better than this, whatever a fit says. */
const LEAST_TOLERANCE = 0.002;
const LONGEST_BY = 80;

/** As measured: the day, the instrument, and ± as twice the standard error. */
function measured({ value, error }: Found, by: string): Sourced {
  const tolerance =
    error === null
      ? {}
      : { tolerance: Math.min(1, Math.max(LEAST_TOLERANCE, (2 * error) / Math.abs(value))) };
  return { value, from: 'measured', on: today(), by: by.slice(0, LONGEST_BY), ...tolerance };
}

/** Keeps what was measured, and takes it into the gear list where that is wanted. */
export function useKeep() {
  const [add] = useAddMeasurementMutation();
  const gear = useGearActions();
  const { enqueueSnackbar } = useSnackbar();
  /** @returns whether it was kept */
  const keep = async (sent: SentMeasurement): Promise<boolean> => {
    const answer = await add({ id: newId(), sent });
    if ('error' in answer && answer.error) {
      enqueueSnackbar(messageOf(answer.error), { variant: 'warning' });
      return false;
    }
    return true;
  };
  const accept = async (
    item: GearItem,
    found: readonly Found[],
    chosen: Chosen,
    sent: SentMeasurement,
  ): Promise<boolean> => {
    if (!(await keep(sent))) return false;
    for (const one of found) {
      const edit: ItemEdit = { kind: 'set', field: one.field, to: measured(one, chosen.name) };
      gear.edit(item.id, edit);
    }
    return true;
  };
  return { keep, accept };
}
