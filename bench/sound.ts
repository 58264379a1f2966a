import { driveWay, newRig, renderVoices, type RenderQuestion } from '@gullwind/core';
import { amount } from './amount';

/// From an edit to 8 s that can be played: one new voice beside straight in, the playing itself known already.

const rig = newRig('one cable');
const { route } = driveWay(rig);
const longer = (metres: number) => {
  const row = rig.electrical.rows[0]!;
  const cable = row.cables[0]!;
  const rows = [{ ...row, cables: [{ ...cable, lengthM: { ...cable.lengthM, value: metres } }] }];
  return driveWay({ ...rig, electrical: { ...rig.electrical, rows } }).path;
};
const sectionsOf = ({ sections }: ReturnType<typeof longer>) =>
  sections.map(({ circuit }) => circuit);

const question = (metres: number): RenderQuestion => ({
  source: { kind: 'simulated', play: 'chords', seconds: 8 },
  voices: [
    { id: 'straight', sections: [route.reference] },
    { id: 'now', sections: sectionsOf(longer(metres)) },
  ],
  options: { isMatched: true, speaker: false, clipper: false },
});

const time = (metres: number) => {
  const began = performance.now();
  const work = renderVoices(question(metres));
  while (!work.next().done);
  return performance.now() - began;
};

const TIMES = amount(9);
const first = time(6);
const again = Array.from({ length: TIMES }, (_, i) => time(7 + i)).toSorted((a, b) => a - b)[
  TIMES >> 1
]!;
console.log(
  `8 s through straight in and one new voice: ${again.toFixed(0)} ms (aim under 300 ms); ` +
    `with the playing itself ${first.toFixed(0)} ms (× ${(first / again).toFixed(1)})`,
);
