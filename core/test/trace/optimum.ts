import { Likelihoods, nextTest, type TraceSuspect, type TraceTest } from '../../src/trace';
import { numbers } from './world';

/// Small hunts to their exact optimum, by dynamic programming over who is still suspected.

export interface SmallHunt {
  readonly likelihoods: Likelihoods;
  readonly shares: Float64Array;
}

/** Up to eight suspects, and tests that part them at random, each from a fifth of a minute to three. */
export function smallHunt(seed: number): SmallHunt {
  const next = numbers(seed + 1);
  const count = 3 + Math.floor(next() * 6);
  const suspects = Array.from({ length: count }, (_, s) => ({
    id: `s${s}`,
    weight: 0.2 + next() * 5,
  })) as unknown as readonly TraceSuspect[];
  const tests = Array.from({ length: count + 2 }, (_, t): TraceTest => {
    const yes = new Set(suspects.filter(() => next() < 0.5).map(({ id }) => id));
    return {
      id: `t${t}`,
      minutes: 0.2 + next() * 2.8,
      yesIf: ({ id }: TraceSuspect) => (yes.has(id) ? 1 : 0),
    } as unknown as TraceTest;
  });
  const all = suspects.reduce((sum, { weight }) => sum + weight, 0);
  return {
    likelihoods: new Likelihoods(suspects, tests, false),
    shares: Float64Array.from(suspects, ({ weight }) => weight / all),
  };
}

type Chosen = (alive: number) => number | null;

/** Minutes until nothing parts who is left, by what is chosen of each set of suspects. */
function minutesBy(hunt: SmallHunt, chosen: Chosen, alive: number): number {
  const test = chosen(alive);
  if (test === null) return 0;
  const { yes, no } = parted(hunt, test, alive);
  const [all, ofYes] = [shareOf(hunt, alive), shareOf(hunt, yes)];
  return (
    hunt.likelihoods.tests[test]!.minutes +
    (ofYes / all) * minutesBy(hunt, chosen, yes) +
    (1 - ofYes / all) * minutesBy(hunt, chosen, no)
  );
}

function parted({ likelihoods }: SmallHunt, test: number, alive: number) {
  const certain = likelihoods.certain[test]!;
  let yes = 0;
  for (let s = 0; s < certain.length; s++) if (alive & (1 << s) && certain[s] === 1) yes |= 1 << s;
  return { yes, no: alive & ~yes };
}

const shareOf = ({ shares }: SmallHunt, alive: number): number =>
  shares.reduce((sum, share, s) => (alive & (1 << s) ? sum + share : sum), 0);

/** The least minutes there can be, on average. */
export function leastMinutes(hunt: SmallHunt): number {
  const least = new Map<number, number>();
  const of = (alive: number): number => {
    const known = least.get(alive);
    if (known !== undefined) return known;
    let best = Infinity;
    for (const test of hunt.likelihoods.tests.keys()) {
      const { yes, no } = parted(hunt, test, alive);
      if (yes === 0 || no === 0) continue;
      const share = shareOf(hunt, yes) / shareOf(hunt, alive);
      const { minutes } = hunt.likelihoods.tests[test]!;
      best = Math.min(best, minutes + share * of(yes) + (1 - share) * of(no));
    }
    const minutes = best === Infinity ? 0 : best;
    least.set(alive, minutes);
    return minutes;
  };
  return of(everybody(hunt));
}

const everybody = ({ shares }: SmallHunt): number => (1 << shares.length) - 1;

/** What it takes with the test that a hunt would choose. */
export function chosenMinutes(hunt: SmallHunt): number {
  const chosen: Chosen = (alive) => {
    const all = shareOf(hunt, alive);
    const left = hunt.shares.map((share, s) => (alive & (1 << s) ? share / all : 0));
    const test = nextTest(hunt.likelihoods, left, []);
    if (test === null) return null;
    const { yes, no } = parted(hunt, test, alive);
    return yes === 0 || no === 0 ? null : test;
  };
  return minutesBy(hunt, chosen, everybody(hunt));
}
