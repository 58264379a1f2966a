import { chosenMinutes, leastMinutes, smallHunt } from './optimum';
import { huntCase, hunted, paired } from './hunting';
import { trueAnswer } from './world';

const SEEDS = Array.from({ length: 500 }, (_, seed) => seed);

describe('hunts on 500 rigs with one thing wrong', () => {
  const truthfully = SEEDS.map((seed) => hunted(huntCase(seed)));

  test('truthful answers never rule out the cause', () => {
    expect(truthfully.filter(({ isExcluded }) => isExcluded)).toEqual([]);
  });

  test('the cause is found', () => {
    expect(truthfully.filter(({ isRight }) => !isRight)).toEqual([]);
  });

  test('it takes fewer minutes than the usual order', () => {
    const { interval } = paired(truthfully);
    expect(interval[0]).toBeGreaterThan(0);
  });

  test('so it does where the weights are off by three', () => {
    const { interval } = paired(SEEDS.map((seed) => hunted(huntCase(seed, 3))));
    expect(interval[0]).toBeGreaterThan(0);
  });

  test('with one answer in ten wrong it ends right in most', () => {
    const right = SEEDS.filter((seed) => hunted(huntCase(seed), 0.1).isRight);
    expect(right.length).toBeGreaterThan(SEEDS.length / 2);
  });

  test('what a suspect would do in a test is what happens on a stage', () => {
    const others = SEEDS.slice(0, 60).flatMap((seed) => {
      const { rig, likelihoods } = huntCase(seed);
      return likelihoods.tests.flatMap((test) =>
        likelihoods.suspects.flatMap((suspect) => {
          const said = trueAnswer(rig, suspect, test);
          const yes = test.yesIf(suspect);
          const isSame =
            said === 'either' ? yes > 0 && yes < 1 : yes === (said ? 1 : 0) || yes % 1 > 0;
          return isSame ? [] : [{ seed, test: test.id, suspect: suspect.id, said, yes }];
        }),
      );
    });
    expect(others).toEqual([]);
  });
});

describe('small hunts against their exact optimum', () => {
  const ratios = Array.from({ length: 200 }, (_, seed) => {
    const hunt = smallHunt(seed);
    return chosenMinutes(hunt) / leastMinutes(hunt);
  });

  test('nothing is better than the optimum', () => {
    expect(Math.min(...ratios)).toBeGreaterThanOrEqual(1 - 1e-9);
  });

  test('the test that says most per minute is close to it', () => {
    expect(ratios.reduce((sum, one) => sum + one, 0) / ratios.length).toBeLessThan(1.1);
  });
});
