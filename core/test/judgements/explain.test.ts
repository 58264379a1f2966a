import {
  analyseRig,
  analyseStates,
  measureRig,
  switchesOf,
  type StatesSounding,
} from '../../src/figures';
import { deviceOfClass } from '../../src/gear';
import { explainRig, judgeRig } from '../../src/judgements';
import { choosePlans, sayMoves, searchToEnd } from '../../src/plans';
import { formatSignedDb } from '../../src/quantity';
import {
  applyEdits,
  insertDevice,
  keepPlace,
  mainRow,
  newRig,
  setCableLength,
  type Rig,
} from '../../src/rig';
import { switchedTo } from '../rig/straightRow';

function board(): Rig {
  let rig = applyEdits(newRig('board'), setCableLength('l1', 6));
  for (const name of ['wah', 'drive', 'modulation'] as const)
    rig = applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, '')));
  const long = applyEdits(rig, setCableLength(mainRow(rig).cables.at(-1)!.id, 15));
  return applyEdits(long, keepPlace(long, 'big stage'));
}

const explain = (rig: Rig) =>
  explainRig(rig, analyseRig(rig), analyseStates(rig, switchesOf(rig)), 'metric');
const paragraph = (rig: Rig, title: string) =>
  explain(rig).find((one) => one.title === title)?.text;
const treble = (rig: Rig) => {
  const measured = measureRig(rig);
  return measured.kind === 'sounding' ? measured.figures.trebleDb : NaN;
};

test('each figure in it is one that the model gives', () => {
  const rig = board();
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  expect(explain(rig).map(({ title }) => title)).toEqual([
    'What is going on',
    'What costs what',
    'Which switch changes it most',
    'What is to be said',
    'What to do first',
    'Elsewhere',
  ]);
  const [largest] = analysis.lossByPart;
  expect(paragraph(rig, 'What costs what')).toContain(
    `${formatSignedDb(largest!.gain.trebleDb)} dB`,
  );
  const { front } = searchToEnd(rig, [], { mostMoves: 1 });
  const asItIs = front.find(({ moves }) => moves.length === 0)!;
  const [best] = choosePlans(front, asItIs).filter(({ isAdvised }) => isAdvised);
  expect(paragraph(rig, 'What to do first')).toContain(sayMoves(rig, best!.plan, 'metric')[0]);
  expect(paragraph(rig, 'Elsewhere')).toContain(`big stage ${formatSignedDb(treble(rig))} dB`);
});

test('what to do first says what is to be paid, or that nothing is', () => {
  const rig = board();
  const fix = (brief: Partial<Rig['texts']['brief']>) =>
    paragraph(
      { ...rig, texts: { ...rig.texts, brief: { ...rig.texts.brief, ...brief } } },
      'What to do first',
    );
  expect(fix({})).toMatch(/\(\d+ minutes, about [1-9]\d* to pay\)/u);
  expect(fix({ nothingBought: true })).toMatch(/\(\d+ minutes, nothing to buy\)|No single change/u);
});

test('the switch it names is the one that changes most, from where it stands now', () => {
  const rig = board();
  const all = ['d1', 'd2', 'd3'].map((id) => ({
    id,
    db: treble(switchedTo(rig, { [id]: true })) - treble(rig),
  }));
  const most = all.reduce((a, b) => (Math.abs(b.db) > Math.abs(a.db) ? b : a));
  const { name } = mainRow(rig).devices.find(({ id }) => id === most.id)!;
  const said = paragraph(rig, 'Which switch changes it most')!;
  expect(said).toContain(
    `${name} switched on would change treble by ${formatSignedDb(most.db)} dB`,
  );
  const { brightest } = analyseStates(rig, switchesOf(rig)) as StatesSounding;
  expect(said).toContain(formatSignedDb(brightest.trebleDb));
  const on = switchedTo(rig, { [most.id]: true });
  expect(paragraph(on, 'Which switch changes it most')).toContain('switched off would');
});

test('what is to be said is what the advice says, but for what was dismissed', () => {
  const rig = board();
  const analysis = analyseRig(rig);
  if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
  const states = analyseStates(rig, switchesOf(rig));
  const [first] = judgeRig(rig, 'r1', analysis, states, 'metric');
  expect(paragraph(rig, 'What is to be said')).toContain(`${first!.title}. ${first!.reason}`);
  const quiet = { ...rig, texts: { ...rig.texts, dismissed: [first!.key] } };
  expect(paragraph(quiet, 'What is to be said') ?? '').not.toContain(first!.title);
});

test('of a rig that is not heard it says that alone', () => {
  const gap = applyEdits(newRig('gap'), { kind: 'connect', row: 'r1', at: 0, cable: null });
  expect(explain(gap)).toHaveLength(1);
  expect(explain(gap)[0]!.text).toContain('Nothing arrives');
});
