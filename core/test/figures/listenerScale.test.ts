import { analyseRig, sayWhatIsGoingOn, sizeHeard } from '../../src/figures';
import { applyEdits, newRig, setCableLength } from '../../src/rig';

test('on the usual ladder 1 dB is the step from hard to tell to noticeable', () => {
  expect(sizeHeard([-0.9, 0])).toBe('hard');
  expect(sizeHeard([-0.2, 1.1])).toBe('noticeable');
});

test('to who hears half a decibel everything is twice as large, and it is said whose ears they are', () => {
  const mate = { listener: 'Mate', thresholdDb: 0.5 };
  expect(sizeHeard([-0.6, 0], mate)).toBe('noticeable');
  expect(sizeHeard([-0.6, 0], { ...mate, thresholdDb: 4 })).toBe('unlikely');
  const rig = applyEdits(newRig('scale'), setCableLength('l1', 9));
  const analysis = analyseRig(rig);
  const usual = sayWhatIsGoingOn(rig, analysis, 'metric');
  expect(usual).not.toContain('ears');
  expect(sayWhatIsGoingOn(rig, analysis, 'metric', mate)).toContain(', to Mate’s ears.');
});
