import { killOften, type KillCounts } from './kills';
import { drawShapes } from './shapes';
import { send, storm, type StormCounts } from './storm';
import { Target } from './target';

export interface AttackSize {
  readonly requests: number;
  readonly kills: number;
  readonly seed: number;
}

export interface AttackCounts {
  readonly storm: StormCounts;
  /** Requests by somebody who has not signed in, and what they were answered. */
  readonly outside: { readonly requests: number; readonly answers: Record<string, number> };
  readonly outsideDeaths: number;
  readonly kills: KillCounts;
}

/** All of it on one engine: hostile requests inside and outside of a passphrase, and kills at work. */
export async function attack(
  newUrl: () => Promise<string | null>,
  { requests, kills, seed }: AttackSize,
): Promise<AttackCounts> {
  const inside = new Target({ databaseUrl: await newUrl() });
  await inside.start();
  const stormed = await storm(inside, requests, seed);
  await inside.end('SIGTERM');

  const guarded = new Target({ databaseUrl: await newUrl(), passphrase: 'a long enough phrase' });
  await guarded.start();
  const outside = await knock(guarded, Math.ceil(requests / 4), seed + 1);
  const outsideDeaths = guarded.deaths;
  await guarded.end('SIGTERM');

  const killed = new Target({ databaseUrl: await newUrl() });
  await killed.start();
  const counts = await killOften(killed, kills, seed);
  await killed.end('SIGTERM');
  return { storm: stormed, outside, outsideDeaths, kills: counts };
}

const AT_ONCE = 120;

/** Many at once by somebody who has not signed in: nothing of it is worked on. */
async function knock(target: Target, count: number, seed: number) {
  const answers: Record<string, number> = {};
  const shapes = drawShapes(count, seed);
  for (let at = 0; at < shapes.length; at += AT_ONCE) {
    const codes = await Promise.all(
      shapes.slice(at, at + AT_ONCE).map((shape) => send(target.url, shape)),
    );
    for (const code of codes) answers[code] = (answers[code] ?? 0) + 1;
  }
  // It still answers.
  const alive = await fetch(new URL('api/health', target.url));
  if (!alive.ok) answers['500'] = (answers['500'] ?? 0) + 1;
  return { requests: count, answers };
}

/** What no attack may bring about, in words; none is the only pass. */
export function faultsOf({
  storm: s,
  outside,
  outsideDeaths,
  kills,
}: AttackCounts): readonly string[] {
  const failed = Object.entries(outside.answers).filter(([code]) => Number(code) >= 500);
  const pages = Object.entries(outside.answers).filter(([code]) => Number(code) === 201);
  return [
    ...s.failures.map((one) => `answered ${one}`),
    ...s.unanswered.map((one) => `no answer: ${one}`),
    ...s.complaints.map((one) => `complained: ${one.slice(0, 300)}`),
    ...failed.map(([code, many]) => `outside: ${many} answers of ${code}`),
    ...pages.map(([, many]) => `outside: ${many} things were made`),
    ...(s.deaths + outsideDeaths > 0 ? [`it ended ${s.deaths + outsideDeaths} times`] : []),
    ...(s.lost + kills.lost > 0 ? [`${s.lost + kills.lost} acknowledged saves were lost`] : []),
    ...(kills.torn > 0 ? [`${kills.torn} times not all was there after a restore`] : []),
    ...kills.refusals.map((one) => `refused: ${one.slice(0, 300)}`),
    ...(s.saves === 0 || kills.saves === 0 ? ['nobody could work'] : []),
  ];
}
