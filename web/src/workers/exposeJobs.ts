import { expose } from 'comlink';
import { WorkRunner, type Outcome } from './workRunner';

type Jobs = Readonly<Record<string, (question: never) => unknown>>;

/** What a worker of long work answers to. */
export type JobsApi = {
  readonly run: (
    key: string,
    job: string,
    question: unknown,
    tell: (progress: unknown) => void,
  ) => Promise<Outcome<unknown>>;
  readonly stop: (key: string) => void;
};

/** Answers questions for these jobs until the worker ends. */
export function exposeJobs(jobs: Jobs): void {
  const runner = new WorkRunner();
  const api: JobsApi = {
    run: (key, job, question, tell) =>
      runner.run(key, () => jobs[job]!(question as never) as Generator<unknown, unknown>, tell),
    stop: (key) => runner.stop(key),
  };
  expose(api);
}
