import type Joi from 'joi';
import { sentMeasurementShape, type SentMeasurement } from './benchRecords';
import { readUpdateItem, updateItemShape, type UpdateItem } from './messages';
import { readWith, type Read } from './read';

/** A measurement, and the entry of the gear list that takes its values over: both are kept, or neither. */
export interface SentMeasured {
  readonly sent: SentMeasurement;
  readonly accepted: UpdateItem | null;
}

export const sentMeasuredShape: Joi.ObjectSchema = (sentMeasurementShape as Joi.ObjectSchema).keys({
  accepted: updateItemShape.optional(),
});

export function readSentMeasured(value: unknown): Read<SentMeasured> {
  const { accepted, ...rest } = (value ?? {}) as Record<string, unknown>;
  const sent = readWith(sentMeasurementShape, rest);
  if (sent.kind === 'refused' || accepted === undefined)
    return sent.kind === 'refused'
      ? sent
      : { kind: 'ok', value: { sent: sent.value, accepted: null } };
  const update = readUpdateItem(accepted);
  return update.kind === 'refused'
    ? update
    : { kind: 'ok', value: { sent: sent.value, accepted: update.value } };
}
