import { wrap } from 'comlink';
import type { AnalysisApi } from './analysis.worker';
import type { FilesApi } from './files.worker';
import type { JobsApi } from './exposeJobs';
import type { JobName } from './jobs';
import type { QuestionsApi } from './questions.worker';

/// The workers of the page, each started when it is first asked.

/** A worker's functions as the page calls them; one that has died refuses, and is started anew when asked again. */
type Asked<T> = {
  readonly [K in keyof T]: T[K] extends (...args: infer A) => infer R
    ? (...args: A) => Promise<Awaited<R>>
    : never;
};

type Functions = Readonly<Record<string, (...args: never[]) => unknown>>;

function once<T extends Functions>(start: () => Worker): () => Asked<T> {
  let running: Asked<T> | null = null;
  const begin = (): Asked<T> => {
    const worker = start();
    const died = new Promise<never>((_, reject) =>
      worker.addEventListener('error', ({ message }) => {
        running = null;
        reject(new Error(message || 'The part that computes could not be loaded.'));
      }),
    );
    // Who waits for an answer hears of it; with nobody waiting there is nothing to say.
    died.catch(() => undefined);
    const remote = wrap<Functions>(worker);
    return new Proxy({} as Asked<T>, {
      get:
        (_, name: string) =>
        (...args: never[]) =>
          Promise.race([remote[name]!(...args), died]),
    });
  };
  return () => (running ??= begin());
}

export const analysisWorker = once<AnalysisApi>(
  () => new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' }),
);

/** Begins to load what draws the curve, before there is anything to ask it. */
export const startAnalysis = (): void => void analysisWorker();

export const questionsWorker = once<QuestionsApi>(
  () => new Worker(new URL('./questions.worker.ts', import.meta.url), { type: 'module' }),
);

const longWorker = once<JobsApi>(
  () => new Worker(new URL('./long.worker.ts', import.meta.url), { type: 'module' }),
);

const solverWorker = once<JobsApi>(
  () => new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' }),
);

const WITH_SOLVER: readonly JobName[] = ['feeding', 'supplies', 'cuts'];

/** The worker that does this kind of long work. */
export const workerOf = (job: JobName) =>
  WITH_SOLVER.includes(job) ? solverWorker() : longWorker();

export const filesWorker = once<FilesApi>(
  () => new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' }),
);
