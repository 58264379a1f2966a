import type { SentMeasurement, UpdateItem } from '@gullwind/contract';
import type { GearItem } from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { messageOf } from '../../app/api';
import { useAddMeasurementMutation } from '../../app/benchApi';
import { newId } from '../../app/newId';
import { today } from '../../app/today';
import { useGearActions } from '../gear';
import type { Chosen } from './instruments';
import { editsOf, type Found } from './model/found';

/** Keeps what was measured, and takes it into the gear list where that is wanted. */
export function useKeep() {
  const [add] = useAddMeasurementMutation();
  const gear = useGearActions();
  const { enqueueSnackbar } = useSnackbar();
  /** @returns whether it was kept */
  const keep = async (sent: SentMeasurement, accepted?: UpdateItem): Promise<boolean> => {
    const answer = await add({ id: newId(), sent, ...(accepted && { accepted }) });
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
    const edits = editsOf(found, chosen.name, today());
    const update = gear.changed(item.id, edits);
    return update ? keep(sent, update) : false;
  };
  return { keep, accept };
}
