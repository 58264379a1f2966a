import type { ApproachKind } from '../rig';
import type { Spot } from '../path';

export type JudgementKind =
  | 'fuzzWantsPickup'
  | 'bufferForWah'
  | 'wahIntoFuzz'
  | 'hardwiredBypass'
  | 'potTooSmall'
  | 'potTooLarge'
  | 'poorBuffer'
  | 'manyBuffers'
  | 'lateBuffer'
  | 'weakEnd'
  | 'spread'
  | 'resonance'
  | 'piezoLoad'
  | 'wrongDi'
  | 'longUnbalanced'
  | 'turnUp'
  | 'fine';

/** A figure that a judgement rests on: what it is, and its value with unit. */
export type JudgementNumber = readonly [what: string, value: string];

/** More than arithmetic: what a computed effect means, for whom, and where. */
export interface Judgement {
  /** Names it when it is dismissed: kind and part, "hardwiredBypass:d3". */
  readonly key: string;
  readonly kind: JudgementKind;
  readonly weight: 'warning' | 'note' | 'fine';
  /** The part it speaks of; null for the rig. */
  readonly spot: Pick<Spot, 'kind' | 'id'> | null;
  readonly title: string;
  readonly reason: string;
  readonly numbers: readonly JudgementNumber[];
  /** In which states. */
  readonly when: string;
  /** Under which approaches it is said. */
  readonly approaches: 'every' | readonly ApproachKind[];
}

export const APPROACH_WORDS: Readonly<
  Record<ApproachKind, { readonly name: string; readonly says: string }>
> = {
  clear: {
    name: 'clear',
    says: 'As near to straight in as can be. Buffers, short cables and true bypass are all means to it.',
  },
  bookends: {
    name: 'bookends',
    says: 'Low impedance from the first box to the last: a buffer first, a buffer last. Whatever is switched between them, guitar and amp feel the same.',
  },
  oneBuffer: {
    name: 'one good buffer',
    says: 'One buffer, early and good, does most of the work. Every further one adds its gain error and its noise, so there are as few as possible.',
  },
  steady: {
    name: 'steady',
    says: 'The sound should not depend on which other pedals happen to be on. A constant loss can be set right at the amp; one that jumps cannot.',
  },
  shaped: {
    name: 'shaped',
    says: 'Cable and capacitance are part of the instrument: they place the resonance where the player wants it. A buffer would take that away, so none is wanted.',
  },
};
