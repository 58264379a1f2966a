import type { UnitSystem } from '../quantity';
import type { Rig, Weights } from '../rig';
import { sharesOf, WORTH_TOUCHING, type Proposal } from './choosePlans';
import { inWorkingOrder, makeMoves } from './editOfMove';
import type { RankedPlan } from './plan';
import { sayMove } from './sayMove';

/** What each term of the goal is called, and its unit. */
export const TERM_WORDS: Readonly<
  Record<keyof Weights, { readonly label: string; readonly unit: string; readonly says: string }>
> = {
  distance: {
    label: 'distance from straight in',
    unit: 'dB',
    says: 'How far the sound is from the reference cable straight in, 200 Hz to 8 kHz, whichever way.',
  },
  spread: {
    label: 'spread',
    unit: 'dB',
    says: 'How far apart switching alone gets the treble; low-impedance fuzzes and pedals that are left on stand still.',
  },
  level: { label: 'level off', unit: 'dB', says: 'How much louder or softer it is at 400 Hz.' },
  resonance: {
    label: 'resonance off',
    unit: 'semitones',
    says: 'How far the resonance is from where the shaped approach wants it; 12 where there is none.',
  },
  ends: {
    label: 'ends without a low impedance',
    unit: '',
    says: 'The board’s input and output, where the pickup or something weak drives them.',
  },
  buffers: {
    label: 'buffers beyond the first',
    unit: '',
    says: 'Buffers and buffered bypasses in the way, but for one.',
  },
  rules: {
    label: 'fuzz and wah rules broken',
    unit: '',
    says: 'A low-impedance fuzz that something low drives; a wah straight into one.',
  },
};

/** The moves of a plan in working order, in words; each is said of the rig as it is by then. */
export function sayMoves(rig: Rig, { moves }: RankedPlan, units: UnitSystem): readonly string[] {
  const said: string[] = [];
  let now = rig;
  for (const move of inWorkingOrder(moves)) {
    said.push(sayMove(now, move, units));
    now = makeMoves(now, [move])?.rig ?? now;
  }
  return said;
}

const amount = (term: keyof Weights, value: number): string => {
  const { unit } = TERM_WORDS[term];
  return unit === '' ? value.toFixed(1) : `${value.toFixed(2)} ${unit}`;
};

const MOST_REASONS = 2;

/** What a plan brings against another one: the terms that brought most. */
export function sayGains(plan: RankedPlan, other: RankedPlan, weights: Weights): string {
  const shares = sharesOf(other, plan, weights)
    .filter(({ from, to }) => to < from)
    .slice(0, MOST_REASONS);
  if (shares.length === 0) return 'It changes nothing that counts here';
  const changes = shares.map(
    ({ term, from, to }) =>
      `${TERM_WORDS[term].label} ${amount(term, to)} instead of ${amount(term, from)}`,
  );
  return sentence(changes.join(', '));
}

/** Why a plan is worth more than the next smaller one, and what it takes more or less. */
export const sayWhyBetter = (plan: RankedPlan, next: RankedPlan, weights: Weights): string =>
  `${sayGains(plan, next, weights)}${sayExtra(plan, next)}.`;

function sayExtra({ effort }: RankedPlan, next: RankedPlan): string {
  const minutes = effort.minutes - next.effort.minutes;
  const cost = effort.cost - next.effort.cost;
  const extra = [
    ...(minutes !== 0 ? [`${Math.abs(minutes)} minutes ${minutes > 0 ? 'more' : 'less'}`] : []),
    ...(cost !== 0 ? [`${Math.abs(cost)} ${cost > 0 ? 'more' : 'less'} to pay`] : []),
  ];
  return extra.length > 0 ? `, for ${extra.join(' and ')}` : '';
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** That nothing needs doing. */
export const FINE = 'It’s fine, leave it';

/** Less than this is no gain. */
const LEAST_GAIN = 0.005;

/** Why nothing needs doing, or what leaving it alone means. */
export function sayLeaveAlone({ plan, isAdvised, isFine }: Proposal, best: RankedPlan): string {
  const { goal, terms } = plan.score;
  const gain = goal - best.score.goal;
  const figures = `${terms.distance.toFixed(2)} dB from straight in, ${terms.spread.toFixed(2)} dB by switching alone, level off by ${terms.level.toFixed(2)} dB`;
  if (isFine) return `${FINE}: ${figures}.`;
  if (!isAdvised) return `As it is: ${figures}.`;
  if (gain < LEAST_GAIN) return `Leave it: ${figures}. No plan within the limits is better.`;
  return gain < WORTH_TOUCHING
    ? `Leave it: ${figures}. The best of all plans gains ${gain.toFixed(2)}, under half a decibel.`
    : `Leave it for now: ${figures}. What the plans below gain, ${gain.toFixed(2)}, is not worth its boxes and moves here, or lies inside what nobody has measured. Measure what is assumed first.`;
}

const WORSE_BY = 0.05;

/** What a plan makes worse, term by term. */
export function sayWorse(plan: RankedPlan, asItIs: RankedPlan): readonly string[] {
  const names = Object.keys(TERM_WORDS) as (keyof Weights)[];
  return names
    .filter((term) => plan.score.terms[term] - asItIs.score.terms[term] >= WORSE_BY)
    .map(
      (term) =>
        `${sentence(TERM_WORDS[term].label)}: ${amount(term, plan.score.terms[term])} instead of ${amount(term, asItIs.score.terms[term])}`,
    );
}

/** Rules and schools that would not do it so. */
export function sayAgainst(rig: Rig, plan: RankedPlan, asItIs: RankedPlan): readonly string[] {
  const own = plan.moves.flatMap(({ against }) => (against === null ? [] : [against]));
  const { kind } = rig.electrical.approach;
  const adds = plan.moves.some(({ action }) => ['buffer', 'ownPedal'].includes(action.kind));
  const more = plan.score.terms.buffers - asItIs.score.terms.buffers;
  return [
    ...own,
    ...(adds && kind !== 'shaped'
      ? ['The shaped school wants no buffer: to it the loss is part of the sound.']
      : []),
    ...(more >= 0.5 && kind !== 'oneBuffer'
      ? ['The school of one good buffer would leave the further ones out.']
      : []),
    ...(plan.score.terms.ends > asItIs.score.terms.ends && kind !== 'bookends'
      ? ['Bookends would keep a low impedance at both ends of the board.']
      : []),
  ];
}
