import { faultKind } from '../faultKinds';
import { CLOSE_AMP, shown, still, type Draft, type TraceTest, type Trying } from './test';

/// At the guitar and at the amp.

const KNOBS = {
  kind: 'knobs',
  minutes: 0.3,
  does: 'Look at every knob and switch: volume and tone of the guitar, tuner and mutes, the heel of a pedal, the amp’s volume and standby.',
  hold: 'Guitar on the strap, one hand free.',
  asks: 'Was one of them the cause?',
} as const;

const ampAlone = (amp: string): Draft => ({
  kind: 'ampAlone',
  minutes: 0.5,
  does: `Pull the cable out of ${amp}, so that nothing is in its input.`,
  hold: 'One hand on the amp’s volume, the other on the plug.',
  caution: CLOSE_AMP,
});

const closedCable = (cable: string): Draft => ({
  kind: 'closedCable',
  minutes: 1,
  does: `Take ${cable} out of the board and close its far end with 10 kΩ, or with a guitar at zero. An open end hums by itself.`,
  hold: 'The far plug in one hand, the closing plug in the other.',
  caution: CLOSE_AMP,
});

const AT_ZERO: Draft = {
  kind: 'guitarAtZero',
  minutes: 0.2,
  does: 'Turn the guitar’s volume to zero and leave everything else.',
  hold: 'Stand where you play, one hand on the volume.',
};

const straightIn = (amp: string): Draft => ({
  kind: 'straightIn',
  minutes: 1,
  does: `Guitar straight into ${amp} by a cable that is known to be good.`,
  hold: 'The good cable in one hand, the amp’s volume in the other.',
  caution: CLOSE_AMP,
});

export function* atTheEnds(trying: Trying): Generator<TraceTest> {
  const { way, guitar, isNoise, symptom, inLoop } = trying;
  const last = way.destination;
  const amp = [last.id, ...inLoop];
  const cable = way.front.findLast(({ kind }) => kind === 'cable');
  yield shown(KNOBS, ({ fault }) => (faultKind(fault).seen ? 1 : 0));
  if (isNoise)
    yield still(trying, { ...ampAlone(last.name), at: last.id }, { connected: new Set(amp) });
  if (isNoise && cable && way.front.some(({ kind }) => kind === 'device'))
    yield still(
      trying,
      { ...closedCable(cable.name), at: cable.id },
      { connected: new Set([...amp, cable.id]) },
    );
  if ((isNoise || symptom === 'squeal') && way.front[0]!.guitar?.kind === 'magnetic')
    yield still(trying, { ...AT_ZERO, at: guitar }, { acts: new Set(['guitarAtZero']) });
  yield still(
    trying,
    { ...straightIn(last.name), at: guitar },
    { connected: new Set([guitar, ...amp]) },
  );
}
