import {
  abxOrder,
  AS_IT_IS,
  SIMULATED_SECONDS,
  STRAIGHT_IN,
  THRESHOLD_TRIALS,
  type RigVoice,
} from '@gullwind/core';
import {
  FIRST_SETTING,
  pairOf,
  questionOf,
  wantedWith,
} from '../src/features/listen/model/setting';
import {
  abxAnswered,
  dullerOf,
  keptAbx,
  keptThreshold,
  thresholdAnswered,
  thresholdVoice,
  voiceUnder,
  type AbxPlan,
  type ThresholdRunNow,
  type TrialsRun,
} from '../src/features/listen/model/trials';

/// What is played through which voices, and what blind tests are made of.

const voice = (id: string, name = id) => ({ id, name, sections: [id] }) as unknown as RigVoice;
const one = voice('straight', 'straight in');
const other = voice('now', 'as it is');

describe('a blind test', () => {
  const plan: AbxPlan = { one, other, trials: 20, expected: 'duller', listener: 'Ada' };
  const SEED = 77;
  const order = abxOrder(SEED, plan.trials);
  const begun: TrialsRun = { seed: SEED, answers: [] };

  test('A is the one, B the other, X what was drawn; who says what X is is right', () => {
    expect(new Set(order).size).toBe(2);
    let run = begun;
    for (const drawn of order) {
      expect(voiceUnder('A', plan, run)).toBe('straight');
      expect(voiceUnder('B', plan, run)).toBe('now');
      expect(voiceUnder('X', plan, run)).toBe(drawn === 'A' ? 'straight' : 'now');
      const wrong = abxAnswered(run, plan, drawn === 'A' ? 'B' : 'A');
      expect(wrong.answers.at(-1)).toEqual({ isRight: false, lossDb: null });
      run = abxAnswered(run, plan, drawn);
      expect(run.answers.at(-1)).toEqual({ isRight: true, lossDb: null });
    }
    expect(run.answers).toHaveLength(20);
    expect(begun.answers).toHaveLength(0);
  });

  test('what comes out is kept whatever it is, broken off or whole', () => {
    const whole = order.reduce((run) => abxAnswered(run, plan, 'A'), begun);
    expect(keptAbx(whole, plan, 'rig')).toEqual({
      ...{ listener: 'Ada', kind: 'abx', rig: 'rig', one: 'straight in', other: 'as it is' },
      ...{ seed: SEED, planned: 20, trials: whole.answers, isFinished: true },
      ...{ expected: 'duller', model: '', note: '' },
    });
    expect(keptAbx(abxAnswered(begun, plan, 'A'), plan, 'rig').isFinished).toBe(false);
  });
});

describe('a run towards the least loss that is heard', () => {
  const begun: ThresholdRunNow = { seed: 5, trials: [] };

  test('the duller one is the one with less treble, and who says so is right', () => {
    let run = begun;
    const drawn = new Set<string>();
    while (thresholdAnswered(run, 'first') !== run) {
      const duller = dullerOf(run);
      drawn.add(duller);
      const brighter = duller === 'first' ? 'second' : 'first';
      expect(thresholdVoice(duller, run)).toBe('less');
      expect(thresholdVoice(brighter, run)).toBe('whole');
      expect(thresholdAnswered(run, brighter).trials.at(-1)!.isRight).toBe(false);
      run = thresholdAnswered(run, duller);
      expect(run.trials.at(-1)!.isRight).toBe(true);
    }
    expect(drawn.size).toBe(2);
    expect(run.trials).toHaveLength(THRESHOLD_TRIALS);
    expect(keptThreshold(run, 'Ada')).toMatchObject({
      ...{ listener: 'Ada', kind: 'threshold', rig: null, seed: 5, isFinished: true },
      ...{ planned: THRESHOLD_TRIALS, trials: run.trials },
    });
    expect(keptThreshold(begun, 'Ada').isFinished).toBe(false);
  });
});

describe('what is rendered', () => {
  const voices = [one, other, voice('plan')];

  test('the voices that were asked for, of the sound that is set, as it is set', () => {
    expect(questionOf(FIRST_SETTING, voices, ['now', 'plan', 'gone'])).toEqual({
      source: { kind: 'simulated', play: 'chords', seconds: SIMULATED_SECONDS },
      voices: [
        { id: 'now', sections: ['now'] },
        { id: 'plan', sections: ['plan'] },
      ],
      options: { isMatched: true, speaker: false, clipper: false },
    });
    expect(questionOf(FIRST_SETTING, [], ['now'])).toBeNull();
  });

  test('a sound of one’s own says what it went through already', () => {
    const samples = new Float32Array(4);
    const own = { name: 'take', id: 'file', samples, rate: 48_000, through: 'now' };
    const asked = (through: string | null) =>
      questionOf({ ...FIRST_SETTING, own: { ...own, through } }, voices, ['now'])!.source;
    expect(asked('now')).toEqual({
      ...{ kind: 'own', id: 'file now', sound: { samples, rate: 48_000 }, through: ['now'] },
    });
    expect(asked(null)).toMatchObject({ through: null });
    expect(asked('gone')).toMatchObject({ through: null });
  });

  test('what was chosen is heard while it is there', () => {
    const rig = [voice(STRAIGHT_IN), voice(AS_IT_IS), voice('plan')];
    expect(pairOf(rig, 'plan', AS_IT_IS)).toEqual({ heard: 'plan', against: AS_IT_IS });
    expect(pairOf(rig, 'gone', 'gone')).toEqual({ heard: AS_IT_IS, against: STRAIGHT_IN });
    const silent = [voice(STRAIGHT_IN)];
    expect(pairOf(silent, AS_IT_IS, 'gone')).toEqual({ heard: STRAIGHT_IN, against: STRAIGHT_IN });
  });

  test('what is asked for once is asked for once', () => {
    const wanted = ['a', 'b'];
    expect(wantedWith(wanted, ['b', 'a'])).toBe(wanted);
    expect(wantedWith(wanted, ['b', 'c'])).toEqual(['a', 'b', 'c']);
  });
});
