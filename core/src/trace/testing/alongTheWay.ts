import {
  CLOSE_AMP,
  NOT_INSIDE,
  still,
  withBeside,
  type Draft,
  type TraceTest,
  type Trying,
} from './test';

/// From one end to a device, and from a device to the other end, by a known-good cable; and what is beside the way.

const fromPart = (part: string, amp: string): Draft => ({
  kind: 'fromPart',
  minutes: 0.8,
  does: `By a known-good cable from the output of ${part} to ${amp}. What comes after it is out.`,
  hold: 'The good cable in one hand, its other end at the amp.',
  caution: CLOSE_AMP,
});

const intoPart = (part: string): Draft => ({
  kind: 'intoPart',
  minutes: 0.8,
  does: `Guitar by a known-good cable into ${part}. What comes before it is out.`,
  hold: 'The good cable in one hand, the guitar on its strap.',
  caution: CLOSE_AMP,
});

const LOOP_OUT: Draft = {
  kind: 'loopOut',
  minutes: 0.8,
  does: 'Take both cables out of the amp’s effects loop, and join send and return by a good patch.',
  hold: 'Torch in one hand: the jacks are at the back.',
  caution: `${CLOSE_AMP} ${NOT_INSIDE}`,
};

const SIDE_OUT: Draft = {
  kind: 'sideOut',
  minutes: 0.4,
  does: 'Pull what hangs on side jacks: tuner, second amp, key inputs.',
  hold: 'One hand at the board.',
  caution: CLOSE_AMP,
};

export function* alongTheWay(trying: Trying): Generator<TraceTest> {
  const { way, guitar, inLoop } = trying;
  const last = way.destination;
  const front = way.front.map(({ id }) => id);
  for (const [i, { kind, id, name }] of way.front.entries()) {
    if (kind !== 'device') continue;
    const before = withBeside(way, [...front.slice(0, i + 1), last.id, ...inLoop]);
    const after = withBeside(way, [guitar, ...front.slice(i), ...inLoop]);
    yield still(trying, { ...fromPart(name, last.name), at: id }, { connected: before });
    yield still(trying, { ...intoPart(name), at: id }, { connected: after });
  }
  if (inLoop.length > 0)
    yield still(
      trying,
      { ...LOOP_OUT, at: inLoop[0]! },
      { connected: new Set([...front, ...way.side.map(({ id }) => id)]) },
    );
  if (way.side.length > 0)
    yield still(
      trying,
      { ...SIDE_OUT, at: way.side[0]!.id },
      { connected: new Set([...front, ...inLoop]), ...onlyGround(trying) },
    );
}

/** Where no mains feed the board, the side jack is the only second ground. */
const onlyGround = ({ way }: Trying) =>
  way.supplies.some(({ isMains }) => isMains) ? {} : { acts: new Set(['audioIsolated'] as const) };
