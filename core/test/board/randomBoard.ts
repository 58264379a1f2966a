import fc from 'fast-check';
import {
  deviceOfClass,
  DEVICE_CLASSES,
  fixtureOfClass,
  typicalBoard,
  type BoardSurface,
  type DeviceClass,
} from '../../src/gear';
import {
  applyEdits,
  freshId,
  insertDevice,
  newRig,
  onDeck,
  TURNS,
  type Edit,
  type OnDeck,
  type Rig,
} from '../../src/rig';

/// Rigs with things anywhere on a board.

const CLASSES = (Object.keys(DEVICE_CLASSES) as DeviceClass[]).filter(
  (name) =>
    ![
      'selector',
      'switcher',
      'passiveSplitter',
      'bufferedSplitter',
      'tap',
      'passiveVolume',
    ].includes(name),
);

export const rigOfClasses = (classes: readonly DeviceClass[]): Rig =>
  classes.reduce(
    (rig, name, i) =>
      applyEdits(rig, insertDevice(rig, i, deviceOfClass(name, '', `${name} ${i + 1}`))),
    newRig('board'),
  );

/** A rig with one board of this surface and size, m. */
export function onBoard(
  rig: Rig,
  surface: BoardSurface,
  [widthM, depthM]: readonly [number, number],
): Rig {
  const plain = typicalBoard('Raft');
  const round = (xM: number, yM: number) =>
    ({ shape: 'round', xM, yM, widthM: 0.02, depthM: 0.02 }) as const;
  const board = {
    ...plain,
    id: freshId(rig, 'b'),
    surface,
    widthM: { value: widthM, from: 'entered' } as const,
    depthM: { value: depthM, from: 'entered' } as const,
    slats: [
      { frontM: 0, backM: 0.05 },
      { frontM: 0.075, backM: 0.125 },
      { frontM: depthM - 0.12, backM: depthM - 0.07 },
      { frontM: depthM - 0.05, backM: depthM },
    ],
    openings:
      surface === 'plate'
        ? [round(0.05, depthM / 2), round(widthM / 2, depthM / 2), round(widthM - 0.05, depthM / 2)]
        : [],
  };
  return applyEdits(rig, { kind: 'list', of: 'boards', at: 0, remove: 0, insert: [board] });
}

export const place = (id: string, xMm: number, yMm: number, more: Partial<OnDeck> = {}): Edit => ({
  kind: 'place',
  id,
  to: onDeck('b1', xMm / 1000, yMm / 1000, more),
});

const chain = fc.array(fc.constantFrom(...CLASSES), { minLength: 1, maxLength: 8 });
const surface = fc.constantFrom<BoardSurface>('rows', 'plate', 'mesh');

export const emptyBoard: fc.Arbitrary<Rig> = fc
  .tuple(
    chain,
    surface,
    fc.integer({ min: 300, max: 900 }),
    fc.integer({ min: 280, max: 420 }),
    fc.boolean(),
  )
  .map(([classes, on, w, d, hasSupply]) => {
    const rig = onBoard(rigOfClasses(classes), on, [w / 1000, d / 1000]);
    return hasSupply
      ? applyEdits(rig, {
          kind: 'list',
          of: 'fixtures',
          at: 0,
          remove: 0,
          insert: [fixtureOfClass('controller', 'f1')],
        })
      : rig;
  });

/** Things thrown onto a board: many of them in the way of others. */
export const thrownBoard: fc.Arbitrary<Rig> = fc
  .tuple(
    emptyBoard,
    fc.array(
      fc.record({
        x: fc.nat(800),
        y: fc.nat(330),
        turn: fc.constantFrom(...TURNS),
        riser: fc.constantFrom(0, 0, 20),
        under: fc.nat(9),
      }),
      { minLength: 8, maxLength: 8 },
    ),
  )
  .map(([rig, throws]) => {
    const { devices } = rig.electrical.rows[0]!;
    return applyEdits(
      rig,
      ...devices.map(({ id }, i) => {
        const { x, y, turn, riser, under } = throws[i % throws.length]!;
        return place(id, x, y, { turn, riserM: riser / 1000, isUnder: under === 0 });
      }),
    );
  });
