import {
  Evaluator,
  makeMoves,
  sayMove,
  type Move,
  type MoveKind,
  type Score,
  type Terms,
} from '../plans';
import type { UnitSystem } from '../quantity';
import { applyEdit, type Edit, type Rig } from '../rig';
import type { Judgement, JudgementKind } from './judgement';

/** A single change that mends what a judgement speaks of. */
export interface Remedy {
  /** Null where it is none of the moves of plans. */
  readonly move: Move | null;
  /** As one would tell it to whoever does it. */
  readonly said: string;
  readonly edit: Edit;
}

/** What mends a judgement: which moves, whether they have to be about the part itself, and which term has to fall. */
interface Cure {
  readonly moves: readonly MoveKind[];
  readonly ofThePart: boolean;
  /** Null: the goal as a whole. */
  readonly term: keyof Terms | null;
}

const DRIVES: readonly MoveKind[] = ['buffer', 'ownPedal'];
const RULES: Cure = {
  moves: [...DRIVES, 'shift', 'bypass', 'pickupSimulator', 'removeBuffer'],
  ofThePart: false,
  term: 'rules',
};
const TRACK: Cure = { moves: ['pot', 'activate'], ofThePart: true, term: null };
const DRIVEN: Cure = { moves: [...DRIVES, 'shift', 'bypass'], ofThePart: false, term: null };

const CURES: Readonly<Record<JudgementKind, Cure | null>> = {
  fuzzWantsPickup: RULES,
  wahIntoFuzz: RULES,
  bufferForWah: null,
  hardwiredBypass: { moves: ['convert', 'loopOut', 'shift'], ofThePart: true, term: null },
  potTooSmall: TRACK,
  potTooLarge: TRACK,
  poorBuffer: { moves: ['removeBuffer', 'bypass'], ofThePart: true, term: null },
  manyBuffers: { moves: ['removeBuffer', 'bypass'], ofThePart: false, term: 'buffers' },
  lateBuffer: DRIVEN,
  weakEnd: { moves: DRIVES, ofThePart: false, term: 'ends' },
  spread: { moves: [...DRIVES, 'shift', 'bypass', 'loopOut'], ofThePart: false, term: 'spread' },
  resonance: {
    moves: ['capacitor', 'cableLength', 'cableKind', 'removeBuffer', 'convert', 'loopOut'],
    ofThePart: false,
    term: 'resonance',
  },
  piezoLoad: DRIVEN,
  wrongDi: DRIVEN,
  longUnbalanced: null,
  turnUp: null,
  fine: null,
};

/** Finds remedies among the moves that a brief allows, each scored as plans are. */
export class Remedies {
  private readonly evaluator = new Evaluator();
  private readonly scored = new Map<Move, Score | null>();

  constructor(
    private readonly rig: Rig,
    private readonly moves: readonly Move[],
    private readonly asItIs: Score,
    private readonly units: UnitSystem,
  ) {}

  /** The move that brings the rig nearest to its goal among those that mend this; null where none does. */
  of({ kind, spot }: Judgement): Remedy | null {
    const cure = CURES[kind];
    if (!cure) return null;
    const mending = this.moves.flatMap((move) => {
      const score = isAbout(move, cure, spot?.id) ? this.scoreOf(move) : null;
      return score && this.isBetter(score, cure) ? [{ move, goal: score.goal }] : [];
    });
    if (mending.length === 0) return null;
    return this.remedy(mending.reduce((a, b) => (b.goal < a.goal ? b : a)).move);
  }

  private isBetter({ goal, terms }: Score, { term }: Cure): boolean {
    const now = this.asItIs;
    return goal < now.goal && (term === null || terms[term] < now.terms[term]);
  }

  private remedy(move: Move): Remedy | null {
    const made = makeMoves(this.rig, [move]);
    if (!made || applyEdit(this.rig, made.edit).kind === 'refused') return null;
    return { move, said: sayMove(this.rig, move, this.units), edit: made.edit };
  }

  private scoreOf(move: Move): Score | null {
    let score = this.scored.get(move);
    if (score === undefined) {
      const made = makeMoves(this.rig, [move]);
      this.scored.set(move, (score = made && this.evaluator.score(made.rig)));
    }
    return score;
  }
}

const isAbout = (move: Move, { moves, ofThePart }: Cure, part: string | undefined): boolean =>
  moves.includes(move.action.kind) && (!ofThePart || partOf(move) === part);

const partOf = ({ action }: Move): string | null =>
  'device' in action && typeof action.device === 'string' ? action.device : null;
