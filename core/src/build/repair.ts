import type { Repair } from './records';
import { step, type Step } from './step';

/** What a hunt asked for, as a step: before everything else. */
export const repairStep = ({ id, says, detail, minutes, caution, proof }: Repair): Step =>
  step({
    id: `repair ${id}`,
    kind: 'repair',
    says,
    detail: `${detail} Proved by: ${proof}`,
    minutes,
    caution,
  });
