import { expose } from 'comlink';
import { JOBS, type Answer, type JobName, type Progress, type Question } from './jobs';
import { WorkRunner, type Outcome } from './workRunner';

/// All long work, in a worker of its own, so that the curve goes on following the hand.

const runner = new WorkRunner();

const longApi = {
  run: <J extends JobName>(
    key: string,
    job: J,
    question: Question<J>,
    tell: (progress: Progress<J>) => void,
  ): Promise<Outcome<Answer<J>>> =>
    runner.run(
      key,
      () => JOBS[job](question as never) as unknown as Generator<Progress<J>, Answer<J>>,
      tell,
    ),
  stop: (key: string): void => runner.stop(key),
};

export type LongApi = typeof longApi;

expose(longApi);
