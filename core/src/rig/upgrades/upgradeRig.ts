import { isJson } from './json';
import { fromFormat1, fromFormat2, thingToFormat3 } from './toFormat3';
import { fromFormat3, thingToFormat4 } from './toFormat4';
import { fromFormat4, thingToFormat5 } from './toFormat5';
import { fromFormat5, thingToFormat6 } from './toFormat6';
import { fromFormat6 } from './toFormat7';

/// Documents of earlier formats brought up to this one, step by step, before they are read.

const STEPS: Readonly<Record<number, (value: Readonly<Record<string, unknown>>) => unknown>> = {
  1: fromFormat1,
  2: fromFormat2,
  3: fromFormat3,
  4: fromFormat4,
  5: fromFormat5,
  6: fromFormat6,
};

/** A rig document of any format as one of this format. */
export function upgradeRig(value: unknown): unknown {
  let now = value;
  while (isJson(now) && typeof now.format === 'number' && Object.hasOwn(STEPS, now.format))
    now = STEPS[now.format]!(now);
  return now;
}

/** What the kinds of gear were called up to format 3. */
const OLD_KINDS: Readonly<Record<string, string>> = {
  lead: 'cable',
  end: 'destination',
  amp: 'destination',
};

/** A kind of gear by the name it has now. */
export const kindNow = (kind: string): string =>
  Object.hasOwn(OLD_KINDS, kind) ? OLD_KINDS[kind]! : kind;

const KINDS_THEN: Readonly<Record<string, string>> = { cable: 'lead', destination: 'end' };

/** A thing of the gear list of any format as one of this. @param kind by any of its names */
export function upgradeThing(kind: string, thing: unknown): unknown {
  const now = kindNow(kind);
  const then = thingToFormat4(now, thingToFormat3(KINDS_THEN[now] ?? now, thing));
  return thingToFormat6(now, thingToFormat5(now, then));
}
