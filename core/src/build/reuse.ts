import { COIL_FROM_M } from '../board';
import type { PlainState, Reuse } from './stepState';
import type { WorkDone } from './records';

/// Cables that were made for what is another now, and serve elsewhere as they are.

/** Both plugs of a cable and what it is made of, as a fingerprint has them; null where it does not say. */
function kindOf(fingerprint: string): string | null {
  const [what, stock] = fingerprint.split('#');
  const plugs = what!.split('|').slice(-2).sort();
  return stock === undefined ? null : [...plugs, stock].join('|');
}

/** Cut to length in metres, as the record of it has it. */
const cutM = (fingerprint: string): number => Number(fingerprint.split('|')[2]) / 1000;

/**
 * By cable that is to be made, the one at hand that does: of the same cable with the same plugs, finished, long enough, and
 * with no more to spare than lies without a coil. The one with the least to spare; each serves once.
 */
export function reusedFor(
  states: readonly PlainState[],
  freed: readonly WorkDone[],
  done: readonly WorkDone[],
): ReadonlyMap<string, Reuse> {
  const ended = new Map(done.map(({ step, fingerprint }) => [step, fingerprint]));
  const whole = freed.filter(
    ({ step, fingerprint }) => ended.get(step.replace('cut ', 'end ')) === fingerprint,
  );
  const free = new Set(whole);
  const found = new Map<string, Reuse>();
  const wanted = states
    .filter(({ step, isDone }) => step.kind === 'cut' && !isDone)
    .toSorted((a, b) => cutM(b.step.fingerprint) - cutM(a.step.fingerprint));
  for (const { step } of wanted) {
    const needM = cutM(step.fingerprint);
    const fits = [...free]
      .filter((one) => kindOf(one.fingerprint) === kindOf(step.fingerprint))
      .map((of) => ({ of, spareM: cutM(of.fingerprint) - needM }))
      .filter(({ spareM }) => spareM >= -1e-9 && spareM <= COIL_FROM_M + 1e-9)
      .sort((a, b) => a.spareM - b.spareM);
    const [best] = fits;
    if (!best || kindOf(step.fingerprint) === null) continue;
    free.delete(best.of);
    found.set(step.cable!, best);
  }
  return found;
}
