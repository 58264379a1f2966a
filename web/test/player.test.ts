import { CROSSFADE_S } from '@gullwind/core';
import { Player } from '../src/features/listen/model/player';
import { FakeContext, FakeGain, fakeAudio } from './fakeAudio';

/// What is heard is the voice that was chosen, at the same place of the music, without a click.

const RATE = 1000;
/** Two voices that are told apart by their sign, and where they are by their size. */
const LENGTH = 500;
const rising = Float32Array.from({ length: LENGTH }, (_, i) => (i + 1) / LENGTH);
const falling = rising.map((value) => -value);
const TRACKS = [
  { id: 'one', samples: rising },
  { id: 'other', samples: falling },
];

beforeAll(fakeAudio);

async function playing(heard = 'one'): Promise<{ player: Player; context: FakeContext }> {
  const player = new Player(heard);
  const context = FakeContext.last;
  player.load(TRACKS, RATE);
  await player.play();
  context.currentTime = 0.1;
  return { player, context };
}

/** The sample at a place in the music, s. */
const at = (place: number) => rising[Math.round(place * RATE) % LENGTH]!;

test('what was chosen is heard, and only that', async () => {
  const { player, context } = await playing();
  expect(context.heardAt(0.1)).toBeCloseTo(at(0.1), 6);
  player.hear('other');
  context.currentTime = 0.2;
  expect(context.heardAt(0.2)).toBeCloseTo(-at(0.2), 6);
  player.hear('one');
  expect(context.heardAt(0.2 + CROSSFADE_S)).toBeCloseTo(at(0.2 + CROSSFADE_S), 6);
  const first = await playing('other');
  expect(first.context.heardAt(0.1)).toBeCloseTo(-at(0.1), 6);
});

test('a change is a crossfade at the same instant: as loud together, no step beyond the music', async () => {
  const { player, context } = await playing();
  player.hear('other');
  const half = 0.1 + CROSSFADE_S / 2;
  expect(context.heardAt(half)).toBeCloseTo(0, 6);
  const steps = Array.from({ length: 30 }, (_, i) => context.heardAt(0.098 + i / RATE));
  const largest = Math.max(...steps.slice(1).map((value, i) => Math.abs(value - steps[i]!)));
  // From +0.2 to −0.2 within ten milliseconds, a tenth of it each.
  expect(largest).toBeLessThan(0.05);
});

test('voices that are loaded while it plays come up within a crossfade, not at once', async () => {
  const { player, context } = await playing();
  context.currentTime = 0.2;
  player.load([{ id: 'one', samples: falling }], RATE);
  const half = 0.2 + CROSSFADE_S / 2;
  // The old one on its way down, the new one on its way up: half of each.
  expect(context.heardAt(half)).toBeCloseTo(0, 6);
  expect(context.heardAt(0.2 + CROSSFADE_S)).toBeCloseTo(-at(0.21), 6);
});

test('it comes up from quiet over most of a second, ears first', async () => {
  const { context } = await playing();
  const [out] = FakeGain.all.filter((one) => one.of === context);
  expect(out!.gain.at(0)).toBeCloseTo(0.08, 6);
  expect(out!.gain.at(0.4)).toBeCloseTo(0.54, 6);
  expect(out!.gain.at(0.8)).toBeCloseTo(1, 6);
});

test('it goes on where it was: paused, moved, and with other voices', async () => {
  const { player, context } = await playing();
  expect([player.isPlaying, player.position]).toEqual([true, expect.closeTo(0.1, 9)]);
  player.pause();
  expect([player.isPlaying, player.position]).toEqual([false, expect.closeTo(0.1, 9)]);
  context.currentTime = 5;
  expect(player.position).toBe(0.1);
  expect(context.heardAt(5)).toBe(0);
  await player.play();
  context.currentTime = 5.1;
  expect(player.position).toBeCloseTo(0.2, 9);
  expect(context.heardAt(5.1)).toBeCloseTo(at(0.2), 6);
  player.seek(0.4);
  expect([player.isPlaying, player.position]).toEqual([true, expect.closeTo(0.4, 9)]);
  context.currentTime = 5.2;
  // Round and round.
  expect(player.position).toBeCloseTo(0, 9);
  player.seek(-3);
  expect(player.position).toBe(0);
  context.currentTime = 5.25;
  player.load([{ id: 'one', samples: falling }], RATE);
  expect(player.position).toBeCloseTo(0.05, 9);
  context.currentTime = 5.35;
  expect(context.heardAt(5.35)).toBeCloseTo(-at(0.15), 6);
  player.pause();
  player.seek(0.3);
  expect([player.isPlaying, player.position]).toEqual([false, 0.3]);
});

test('without voices there is nothing to play; closed, it is silent', async () => {
  const empty = new Player('one');
  await empty.play();
  empty.pause();
  expect(empty.isPlaying).toBe(false);
  const { player, context } = await playing();
  await player.play();
  expect(context.sources).toHaveLength(2);
  player.close();
  expect(context.isClosed).toBe(true);
  expect(context.heardAt(0.2)).toBe(0);
});
