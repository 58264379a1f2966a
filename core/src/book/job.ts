import { thingsOf } from '../board';
import { feedingsOf } from '../power';
import { allDevices, daysBetween, type Rig } from '../rig';
import { walkedCount, walkThings } from './walk';

/// A rig as a job of the workshop: how far each stage is, and what is due.

/** What the document alone says. */
export interface JobDocument {
  readonly deadline: string | null;
  /** Pedals whose use was spoken of, of how many. */
  readonly spoken: Share;
  /** Things that stand, of how many; nothing where there is no board. */
  readonly placed: Share;
  /** Things that are fed, of how many want to be. */
  readonly fed: Share;
  readonly songs: number;
  readonly walked: Share;
}

type Share = readonly [done: number, of: number];

/** What is kept beside it. */
export interface JobRecords {
  /** Steps ticked off. */
  readonly steps: number;
  /** The whole board was played: it is built. */
  readonly isPlayed: boolean;
  readonly measured: number;
  readonly heard: number;
  /** Hunts that go on. */
  readonly hunts: number;
  /** Revisions with a name. */
  readonly named: number;
}

export interface Job extends JobDocument, JobRecords {}

export function jobDocumentOf(rig: Rig): JobDocument {
  const { brief } = rig.texts;
  const devices = allDevices(rig);
  const things = rig.layout.boards.length === 0 ? [] : thingsOf(rig);
  const { consumers, fed } = feedingsOf(rig);
  return {
    deadline: brief.deadline,
    spoken: [devices.filter(({ id }) => id in brief.uses).length, devices.length],
    placed: [things.filter(({ id }) => id in rig.layout.placements).length, things.length],
    fed: [fed.size, consumers.length],
    songs: rig.book.songs.length,
    walked: [walkedCount(rig), walkThings(rig).length],
  };
}

export const JOB_STAGES = [
  'brief',
  'board',
  'power',
  'build',
  'bench',
  'listen',
  'trace',
  'book',
] as const;
export type JobStage = (typeof JOB_STAGES)[number];

/** How far a stage is: nothing of it, some, all. Of what has no end there is nothing or some. */
export type StageState = 'open' | 'begun' | 'done';

export interface StageOfJob {
  readonly stage: JobStage;
  readonly state: StageState;
  readonly says: string;
}

const shareState = ([done, of]: Share): StageState =>
  of > 0 && done >= of ? 'done' : done > 0 ? 'begun' : 'open';

const someState = (count: number): StageState => (count > 0 ? 'begun' : 'open');

/** Every stage of a job in the order of the work. */
export function stagesOfJob(job: Job): readonly StageOfJob[] {
  const share = (stage: JobStage, of: Share, says: string): StageOfJob => ({
    stage,
    state: shareState(of),
    says: of[1] === 0 ? 'nothing yet' : `${of[0]} of ${of[1]} ${says}`,
  });
  return [
    share('brief', job.spoken, 'pedals spoken of'),
    share('board', job.placed, 'placed'),
    share('power', job.fed, 'fed'),
    {
      stage: 'build',
      state: job.isPlayed ? 'done' : someState(job.steps),
      says: job.isPlayed ? 'built and played' : `${job.steps} steps done`,
    },
    { stage: 'bench', state: someState(job.measured), says: `${job.measured} measured` },
    { stage: 'listen', state: someState(job.heard), says: `${job.heard} heard` },
    {
      stage: 'trace',
      state: someState(job.hunts),
      says: job.hunts === 1 ? '1 hunt goes on' : `${job.hunts} hunts go on`,
    },
    share('book', job.walked, 'walked through'),
  ];
}

/** What is due first, and by when; null where nobody waits. @param today as "2026-11-27" */
export function sayDue(job: Job, today: string): string | null {
  const { deadline } = job;
  const next = nextOf(job);
  if (deadline === null) return job.hunts > 0 ? next : null;
  const days = daysBetween(today, deadline);
  const when =
    days < 0
      ? `${-days === 1 ? '1 day' : `${-days} days`} late`
      : days === 0
        ? 'due today'
        : `due in ${days === 1 ? '1 day' : `${days} days`}`;
  return next === null ? `${when}: ready` : `${when}: ${next}`;
}

/** The first stage that is not done, in a few words; null where all of it is. */
function nextOf(job: Job): string | null {
  if (job.hunts > 0) return 'a fault is being hunted';
  const [placed, things] = job.placed;
  if (things === 0) return 'no board yet';
  if (placed < things) return `${things - placed} to place`;
  const [fed, wanting] = job.fed;
  if (fed < wanting) return `${wanting - fed} to feed`;
  if (!job.isPlayed) return job.steps === 0 ? 'to build' : 'building';
  const [walked, ten] = job.walked;
  return walked < ten ? `${ten - walked} to walk through` : null;
}
