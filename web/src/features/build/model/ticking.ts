import type { SentDone } from '@gullwind/contract';
import type { BuildCable, BuildRecords, Progress, Step } from '@gullwind/core';

/// What a tick on a step says to the records.

interface Standing {
  readonly cables: readonly Pick<BuildCable, 'id' | 'cutM'>[];
  readonly progress: Progress;
  readonly records: Pick<BuildRecords, 'done'>;
  readonly revision: number;
}

/**
 * All that one press ticks off, or takes back. A cable that serves again is cut and ended at once, and no longer what it
 * was made for.
 */
export function ticksFor(step: Step, isDone: boolean, standing: Standing): readonly SentDone[] {
  const { cables, progress, records, revision } = standing;
  const lengthOf = (cable: string | null) => {
    const cutM = cables.find((one) => one.id === cable)?.cutM ?? 0;
    return cutM > 0 ? cutM : null;
  };
  const tick = ({ id, fingerprint, cable }: Step): SentDone => ({
    step: id,
    fingerprint,
    lengthM: lengthOf(cable),
    revision: Math.max(1, revision),
    by: '',
    isDone,
  });
  const freed = isDone && step.kind === 'cut' ? reusedBy(progress, step) : null;
  const ended = freed && progress.steps.find((one) => one.step.id === `end ${step.cable}`);
  const gone = records.done.filter(
    (one) => freed && freed.cut !== step.id && [freed.cut, freed.end].includes(one.step),
  );
  return [
    ...gone.map(({ at: _, ...one }) => ({ ...one, isDone: false })),
    tick(step),
    ...(ended ? [tick(ended.step)] : []),
  ];
}

/** The steps by which a cable was made that serves for another one. */
function reusedBy({ steps }: Progress, { id }: Step) {
  const of = steps.find(({ step }) => step.id === id)?.reuses?.of.step;
  return of === undefined ? null : { cut: of, end: of.replace('cut ', 'end ') };
}
