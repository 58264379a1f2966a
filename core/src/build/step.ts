import { hashOf } from '../tolerance';

/// One step of the work.

export type StepKind =
  | 'repair'
  | 'photoBefore'
  | 'clean'
  | 'clips'
  | 'tape'
  | 'mounts'
  | 'stand'
  | 'cut'
  | 'end'
  | 'test'
  | 'lay'
  | 'powerCheck'
  | 'play'
  | 'tie'
  | 'labels'
  | 'spares'
  | 'photoAfter';

export interface Step {
  readonly id: string;
  readonly kind: StepKind;
  readonly says: string;
  readonly detail: string;
  readonly minutes: number;
  readonly tools: readonly string[];
  readonly caution: string;
  /** Steps that come before it. */
  readonly needs: readonly string[];
  /** The cable that it is about. */
  readonly cable: string | null;
  /** The same as long as what was done is still right: what it is, and after a "#" what it was done to. */
  readonly fingerprint: string;
  /** What it is done to, one by one, where some of it can still be right after a change: each a word. */
  readonly pieces: readonly string[];
  /** Parts without which it cannot be done, by key. */
  readonly parts: readonly string[];
  /** May be left out where time is short. */
  readonly isSpare: boolean;
}

type Draft = Pick<Step, 'id' | 'kind' | 'says' | 'minutes'> & Partial<Step>;

export function step(draft: Draft): Step {
  const { id, fingerprint = id, pieces = [] } = draft;
  return {
    detail: '',
    tools: [],
    caution: '',
    needs: [],
    cable: null,
    parts: [],
    isSpare: false,
    ...draft,
    pieces,
    fingerprint: pieces.length > 0 ? doneTo(fingerprint, pieces.join(' ')) : fingerprint,
  };
}

/** What a step is, and what it is done to. */
export const doneTo = (what: string, to: string): string => `${what}#${to}`;

/** Whether what was noted still holds. What was noted without what it was done to counts for what it says. */
export const stillHolds = (noted: string, now: string): boolean =>
  noted === now || (!noted.includes('#') && now.startsWith(`${noted}#`));

/** The pieces that were noted of a step. */
export const notedPieces = (noted: string): ReadonlySet<string> =>
  new Set(noted.split('#')[1]?.split(' ') ?? []);

/** A short word for a long one: the same for the same, another for nearly every other. */
export const shortWord = (long: string): string => hashOf(long).toString(36);

/** Where something is cut. */
export const BLADE = 'Cut away from the hand that holds.';
