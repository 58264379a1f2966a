import { checkPlaces, FIELD_RULES, MOST_OUTLETS, LONGEST_NAME } from '../gear';
import { LONGEST_PART_KEY, MOST_OF_A_PART, MOST_PARTS, type Build } from './build';
import { checkSourced } from './checkField';
import { checkNumbers } from './checkNumbers';
import type { Power, PowerFeed } from './power';
import type { RigProblem } from './rigProblem';

/// Everything that must hold for what feeds a rig and how it is built. That something is fed wrongly is no problem of the
/// document: it is said where it is drawn.

export function* checkPower(power: Power): Generator<RigProblem> {
  for (const [i, supply] of power.supplies.entries()) {
    yield* checkNumbers('supply', supply, `power.supplies[${i}]`);
    yield* checkPlaces('supply', supply, `power.supplies[${i}]`);
  }
  yield* checkNumbers('power', power, 'power');
  const seen = new Set<string>();
  for (const [i, feed] of power.feeds.entries()) {
    yield* checkFeed(feed, `power.feeds[${i}]`);
    if (seen.has(feed.consumer)) {
      const message = `“${feed.consumer}” is fed twice: one cable goes to its power jack.`;
      yield { path: `power.feeds[${i}].consumer`, message };
    }
    seen.add(feed.consumer);
  }
}

const isOutlet = (outlet: number): boolean =>
  Number.isInteger(outlet) && outlet >= 0 && outlet < MOST_OUTLETS;

function* checkFeed(feed: PowerFeed, path: string): Generator<RigProblem> {
  const { outlet, second, volts, efficiency, lengthM } = feed;
  for (const [field, one] of [
    ['outlet', outlet],
    ['second', second ?? 0],
  ] as const)
    if (!isOutlet(one))
      yield {
        path: `${path}.${field}`,
        message: `Outlet: ${one} is not between 0 and ${MOST_OUTLETS - 1}.`,
      };
  if (volts !== null && !(volts > 0 && volts <= FIELD_RULES.device['body.supplyV'].max)) {
    const message = `Voltage: ${volts} is not between 0 and ${FIELD_RULES.device['body.supplyV'].max}.`;
    yield { path: `${path}.volts`, message };
  }
  for (const [field, rule, value] of [
    ['efficiency', FIELD_RULES.adaptor.efficiency, efficiency],
    ['lengthM', FIELD_RULES.cable.lengthM, lengthM],
  ] as const) {
    const problem = checkSourced(rule, value);
    if (problem) yield { path: `${path}.${field}`, message: problem.message };
  }
}

export function* checkBuild({ parts }: Build): Generator<RigProblem> {
  if (parts.length > MOST_PARTS) {
    const message = `Parts: ${parts.length}, at most ${MOST_PARTS}.`;
    yield { path: 'build.parts', message };
  }
  const seen = new Set<string>();
  for (const [i, { key, owned, ordered, arrived, buyer }] of parts.entries()) {
    const path = `build.parts[${i}]`;
    if (seen.has(key)) yield { path: `${path}.key`, message: `Part “${key}” is there twice.` };
    seen.add(key);
    if (key === '' || key.length > LONGEST_PART_KEY) {
      const message = `Part: ${key.length} characters, 1 to ${LONGEST_PART_KEY}.`;
      yield { path: `${path}.key`, message };
    }
    for (const [field, count] of Object.entries({ owned, ordered, arrived }))
      if (!Number.isInteger(count) || count < 0 || count > MOST_OF_A_PART) {
        const message = `${field}: ${count} is not a whole number between 0 and ${MOST_OF_A_PART}.`;
        yield { path: `${path}.${field}`, message };
      }
    if (buyer.length > LONGEST_NAME) {
      const message = `Who buys: ${buyer.length} characters, at most ${LONGEST_NAME}.`;
      yield { path: `${path}.buyer`, message };
    }
  }
}
