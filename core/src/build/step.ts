/// One step of the work.

export type StepKind =
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
  /** The same as long as what was done is still right. */
  readonly fingerprint: string;
  /** Parts without which it cannot be done, by key. */
  readonly parts: readonly string[];
  /** May be left out where time is short. */
  readonly isSpare: boolean;
}

type Draft = Omit<
  Step,
  'needs' | 'fingerprint' | 'tools' | 'caution' | 'parts' | 'isSpare' | 'cable' | 'detail'
> &
  Partial<Step>;

export const step = (draft: Draft): Step => ({
  detail: '',
  tools: [],
  caution: '',
  needs: [],
  cable: null,
  fingerprint: draft.id,
  parts: [],
  isSpare: false,
  ...draft,
});

/** Where something is cut. */
export const BLADE = 'Cut away from the hand that holds.';
