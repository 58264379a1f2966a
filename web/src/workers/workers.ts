import { wrap, type Remote } from 'comlink';
import type { AnalysisApi } from './analysis.worker';
import type { FilesApi } from './files.worker';
import type { PlansApi } from './plans.worker';
import type { QuestionsApi } from './questions.worker';
import type { ToleranceApi } from './tolerance.worker';

/// The workers of the page, each started when it is first asked.

function once<T>(start: () => Worker): () => Remote<T> {
  let remote: Remote<T> | null = null;
  return () => (remote ??= wrap<T>(start()));
}

export const analysisWorker = once<AnalysisApi>(
  () => new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' }),
);

export const questionsWorker = once<QuestionsApi>(
  () => new Worker(new URL('./questions.worker.ts', import.meta.url), { type: 'module' }),
);

export const toleranceWorker = once<ToleranceApi>(
  () => new Worker(new URL('./tolerance.worker.ts', import.meta.url), { type: 'module' }),
);

export const plansWorker = once<PlansApi>(
  () => new Worker(new URL('./plans.worker.ts', import.meta.url), { type: 'module' }),
);

export const filesWorker = once<FilesApi>(
  () => new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' }),
);
