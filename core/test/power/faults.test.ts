import { entered, outletGroup } from '../../src/gear';
import { changeFeed, faultsOf } from '../../src/power';
import { checkRig, type Rig } from '../../src/rig';
import { brick, hung, made, rigOf, says, withPower } from './poweredRig';

/// What is wrong is found, and said in words.

test.each([
  [0.08, []],
  [0.0801, ['Brick, outlet 1 is filled to 80 %: 80.1 mA of 100 mA, over the line at 80 %.']],
  [0.1, ['Brick, outlet 1 is filled to 100 %: 100 mA of 100 mA, over the line at 80 %.']],
  [0.13, ['Brick, outlet 1 gives 100 mA, and 130 mA are drawn: it may hum, cut out or overheat.']],
])('%d A on an outlet of 0.1 A, and the line at 80 %', (amps, expected) => {
  const rig = hung(
    rigOf([{ wants: [9, 9, amps] }], [brick(outletGroup(1, 9, 0.1), outletGroup(1, 9, 0.5))]),
    ['d1', { supply: 'u1', outlet: 0 }],
  );
  expect(says(rig)).toEqual(expected);
  expect(says(withPower(rig, { fill: entered(1) }))).toHaveLength(amps > 0.1 ? 1 : 0);
});

const BOTH = [
  outletGroup(2, 9, 0.1),
  outletGroup(1, 9, 0.1, { volts2: 18, amps2: 0.05 }),
  outletGroup(2, 9, 0.2, { ground: 'shared' }),
  outletGroup(1, 9, 0.5, { polarity: 'ac' }),
];

test.each<readonly [string, Rig, readonly string[]]>([
  [
    '18 V into 9 V',
    hung(rigOf([{}], [brick(...BOTH)]), ['d1', { supply: 'u1', outlet: 2, volts: 18 }]),
    ['18 V into Pedal 1, which takes 9 V: it may be destroyed. Do not plug it in.'],
  ],
  [
    '9 V into 18 V',
    hung(rigOf([{ wants: [18, 18, 0.01] }], [brick(...BOTH)]), ['d1', { supply: 'u1', outlet: 0 }]),
    ['Pedal 1 wants 18 V and gets 9 V: it may distort early, or not start.'],
  ],
  [
    'the wrong pole in the middle',
    hung(rigOf([{ polarity: 'centrePositive' }], [brick(...BOTH)]), [
      'd1',
      { supply: 'u1', outlet: 0 },
    ]),
    [
      'Pedal 1 wants plus in the middle and gets minus: it may be destroyed. Do not plug it in without a polarity adaptor.',
    ],
  ],
  [
    'the right pole turned round',
    hung(rigOf([{}], [brick(...BOTH)]), ['d1', { supply: 'u1', outlet: 0, via: 'reversed' }]),
    [
      'Pedal 1 wants minus in the middle and gets plus: it may be destroyed. Do not plug it in without a polarity adaptor.',
    ],
  ],
  [
    'AC into DC',
    hung(rigOf([{}], [brick(...BOTH)]), ['d1', { supply: 'u1', outlet: 5 }]),
    ['AC into Pedal 1, which takes DC: it may be destroyed. Do not plug it in.'],
  ],
  [
    'DC into AC',
    hung(rigOf([{ polarity: 'ac' }], [brick(...BOTH)]), ['d1', { supply: 'u1', outlet: 0 }]),
    ['Pedal 1 wants AC; this outlet gives DC: it will not work.'],
  ],
  [
    'two outlets of one ground in series',
    hung(rigOf([{ wants: [18, 18, 0.01] }], [brick(...BOTH)]), [
      'd1',
      { supply: 'u1', outlet: 3, second: 4 },
    ]),
    ['Pedal 1: two outlets on one ground in series are a short circuit.'],
  ],
  [
    'an outlet in series that feeds something',
    hung(
      rigOf([{ wants: [18, 18, 0.01] }, {}], [brick(...BOTH)]),
      ['d1', { supply: 'u1', outlet: 0, second: 1 }],
      ['d2', { supply: 'u1', outlet: 1 }],
    ),
    ['Pedal 1: the second outlet in series already feeds something.'],
  ],
  [
    'outlets in series that work against each other',
    hung(
      rigOf(
        [{ wants: [18, 18, 0.01] }],
        [brick(outletGroup(1, 9, 0.1), outletGroup(1, 9, 0.1, { polarity: 'centrePositive' }))],
      ),
      ['d1', { supply: 'u1', outlet: 0, second: 1 }],
    ),
    [
      'Pedal 1 wants 18 V and gets 0 V: it may distort early, or not start.',
      'Pedal 1: two outlets in series have to have the same pole in the middle; these work against each other.',
    ],
  ],
  [
    'behind one that is fed in series there are 18 V too',
    hung(
      withPower(rigOf([{ wants: [18, 18, 0.01] }, {}], [brick(...BOTH)]), { feeding: 'chain' }),
      ['d1', { supply: 'u1', outlet: 0, second: 1 }],
      ['d2', { supply: 'u1', outlet: 0, after: 'd1' }],
    ),
    ['18 V into Pedal 2, which takes 9 V: it may be destroyed. Do not plug it in.'],
  ],
  [
    'and one that wants them is well fed; both outlets give what the two draw',
    hung(
      withPower(rigOf([{ wants: [18, 18, 0.06] }, { wants: [18, 18, 0.05] }], [brick(...BOTH)]), {
        feeding: 'chain',
      }),
      ['d1', { supply: 'u1', outlet: 0, second: 1 }],
      ['d2', { supply: 'u1', outlet: 0, after: 'd1' }],
    ),
    [
      'Brick, outlet 1 gives 100 mA, and 110 mA are drawn: it may hum, cut out or overheat.',
      'Brick, outlet 2 gives 100 mA, and 110 mA are drawn: it may hum, cut out or overheat.',
    ],
  ],
  [
    'audio grounds at different poles on one ground',
    withPower(
      hung(
        rigOf([{}, { ground: 'positive' }], [brick(...BOTH)]),
        ['d1', { supply: 'u1', outlet: 3 }],
        ['d2', { supply: 'u1', outlet: 4 }],
      ),
      { feeding: 'chain' },
    ),
    [
      'Pedal 1 and Pedal 2 have their audio ground at different poles: on one ground the supply is shorted through the audio cable.',
    ],
  ],
  [
    'two plugs and one socket',
    withPower(
      hung(
        rigOf([{}, {}], [brick(...BOTH)]),
        ['d1', { supply: 'u1', outlet: 0 }],
        ['d2', { supply: 'u1', outlet: 0 }],
      ),
      { feeding: 'chain' },
    ),
    ['Brick, outlet 1: Pedal 1 and Pedal 2 all want the same socket. Hang one behind the other.'],
  ],
  [
    'nothing at all, and an outlet that is not there',
    hung(rigOf([{}, {}], [brick(...BOTH)]), ['d1', { supply: 'u1', outlet: 9 }]),
    ['Pedal 2 is fed by nothing.', 'Pedal 1: it hangs on an outlet that is not there.'],
  ],
  [
    'a long thin cable',
    made(
      hung(rigOf([{ wants: [9, 9, 0.09] }], [brick(...BOTH)]), ['d1', { supply: 'u1', outlet: 3 }]),
      { kind: 'set', target: { of: 'power' }, field: 'rPerMOhm', to: entered(5) },
    ),
    [],
  ],
])('%s', (_, rig, expected) => {
  expect(says(rig)).toEqual(expected);
  expect(checkRig(rig)).toEqual([]);
});

test('what a cable loses is said where too little arrives', () => {
  const fed = hung(rigOf([{ wants: [9, 9, 0.3] }], [brick(outletGroup(1, 9, 0.5))]), [
    'd1',
    { supply: 'u1', outlet: 0 },
  ]);
  const far = made(fed, changeFeed(fed, 'd1', { lengthM: entered(20) }));
  // 20 m · 0.106 Ω/m · 0.3 A = 0.636 V
  expect(says(far)).toEqual([
    'Pedal 1 wants 9 V, and 8.36 V arrive: the rest is lost in its cable.',
  ]);
});

describe('who may share', () => {
  const chained = (of: 'drive' | 'delay') =>
    hung(
      rigOf([{ of }, {}], [brick(outletGroup(1, 9, 0.5))]),
      ['d1', { supply: 'u1', outlet: 0 }],
      ['d2', { supply: 'u1', outlet: 0, after: 'd1' }],
    );
  test.each([
    ['isolated', 'drive', 1],
    ['quietShare', 'drive', 0],
    ['quietShare', 'delay', 1],
    ['chain', 'delay', 0],
  ] as const)('%s, a chain with a %s', (feeding, of, count) => {
    const rig = withPower(chained(of), { feeding });
    expect(faultsOf(rig).map(({ kind }) => kind)).toEqual(count > 0 ? ['sharing'] : []);
    expect(faultsOf(withPower(rig, { apart: ['d2'] }))).toHaveLength(1);
  });
});
