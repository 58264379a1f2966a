import {
  MEASUREMENTS_CSV_HEADER,
  writeMeasurementCsv,
  type MeasurementPage,
} from '@gullwind/contract';
import type { Measurement } from '@gullwind/core';
import { pageWithPending } from '../../../app/api';
import { measurementsPath } from '../../../app/benchApi';
import { ask, type Answer, type Failure } from '../../../app/http';
import { outbox, type ArgsOf } from '../../../app/outbox';

/** How a question is put to the server. */
type Asks = <Data>(question: { readonly path: string }) => Promise<Answer<Data>>;

/**
 * Everything that was measured, of a rig or of all, with all that was read, those that wait to be sent with them: read page
 * by page and one by one, however many there are.
 */
export async function measurementsFile(
  rig: string | null,
  asks: Asks = ask,
): Promise<{ readonly parts: readonly string[] } | { readonly failure: Failure }> {
  const parts = [MEASUREMENTS_CSV_HEADER];
  for (let before: string | null = null; ;) {
    const answer: Answer<MeasurementPage> = await asks({ path: measurementsPath(rig, before) });
    if (answer.kind !== 'ok') return { failure: answer };
    const { measurements } = pageWithPending('listMeasurements', answer.data, rig, before);
    for (const head of measurements) {
      const sent = waitingToBeSent(head.id);
      const whole: Answer<Measurement> = sent
        ? { kind: 'ok', data: { ...head, ...sent } }
        : await asks({ path: `/measurements/${head.id}` });
      if (whole.kind !== 'ok') return { failure: whole };
      parts.push(writeMeasurementCsv({ ...whole.data, struck: head.struck }));
    }
    before = answer.data.measurements.at(-1)?.id ?? null;
    if (before === null) return { parts };
  }
}

function waitingToBeSent(id: string): ArgsOf<'addMeasurement'>['sent'] | null {
  const waits = outbox.kept.find(
    ({ name, args }) => name === 'addMeasurement' && (args as ArgsOf<'addMeasurement'>).id === id,
  );
  return waits ? (waits.args as ArgsOf<'addMeasurement'>).sent : null;
}
