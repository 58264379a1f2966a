import { huntCase, hunted, paired } from '../core/test/trace/hunting';
import { chosenMinutes, leastMinutes, smallHunt } from '../core/test/trace/optimum';
import { amount } from './amount';

/// How long hunts for a fault take, by the test that says most per minute and by the usual order, and how far the first is
/// from the exact optimum of small hunts.

const SEEDS = Array.from({ length: amount(500, 3) }, (_, seed) => seed);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

function say(title: string, priorsOff: number, wrong: number) {
  const hunts = SEEDS.map((seed) => hunted(huntCase(seed, priorsOff), wrong));
  const { best, usual, interval } = paired(hunts);
  const right = hunts.filter(({ isRight }) => isRight).length / hunts.length;
  console.log(
    `${title.padEnd(34)} ${best.toFixed(2)} min, usual order ${usual.toFixed(2)} min, difference 95 % ` +
      `${interval.map((one) => one.toFixed(2)).join(' … ')} min; ends right ${percent(right)}; ` +
      `cause ruled out ${hunts.filter(({ isExcluded }) => isExcluded).length} times`,
  );
}

say('truthful answers', 1, 0);
say('weights off by a factor of three', 3, 0);
say('one answer in ten wrong', 1, 0.1);

const ratios = SEEDS.slice(0, amount(200, 2)).map((seed) => {
  const hunt = smallHunt(seed);
  return chosenMinutes(hunt) / leastMinutes(hunt);
});
console.log(
  `small hunts against their optimum: mean ${percent(ratios.reduce((sum, one) => sum + one, 0) / ratios.length - 1)} longer, ` +
    `at the most ${percent(Math.max(...ratios) - 1)}, optimal in ${percent(ratios.filter((one) => one < 1 + 1e-9).length / ratios.length)}`,
);
