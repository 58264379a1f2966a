import type { ConnectedThing, SentMeasurement } from '@gullwind/contract';
import {
  compareCables,
  entered,
  fitLengths,
  formatQuantity,
  lengthByCapacitance,
  METER_SHARE,
  plausibilityOf,
  type Cable,
  type ItemOf,
  type Plausibility,
  type UnitSystem,
} from '@gullwind/core';
import type { Found } from './found';
import type { MeasuredPiece, Piece } from './pieces';

/// What readings of cables come to, in words and values.

export type Way = 'one' | 'lengths' | 'compare';
type Item = ItemOf<'cable'>;

const AT_HZ = 1000;
const MODE = { frequencyHz: AT_HZ, mode: 'Cp' } as const;

export const pieceOf = ({ id, thing }: Item): Omit<Piece, 'key' | 'values'> => ({
  gear: id,
  lengthM: thing.lengthM.value,
});

const atLength = (cable: Cable, lengthM: number): Cable => ({
  ...cable,
  lengthM: entered(lengthM),
});

/** What is clipped to a simulated meter; a finished cable alone may be broken. */
export const connectedCable = (item: Item, { key, lengthM }: Piece, way: Way): ConnectedThing => ({
  kind: 'cable',
  id: item.id,
  piece: `${way} ${key} ${lengthM}`,
  cable: atLength(item.thing, lengthM),
  mayBeFaulty: false,
});

export const plausibilityOfPiece = (item: Item, piece: MeasuredPiece): Plausibility | null =>
  piece.summary &&
  plausibilityOf(
    { kind: 'cable', cable: atLength(item.thing, piece.lengthM), fault: null },
    'Cp',
    AT_HZ,
    piece.summary.median,
  );

export interface CableFinding {
  readonly words: string;
  readonly doubt: string;
  /** To take into the gear list. */
  readonly values: readonly Found[];
  readonly sent: Omit<SentMeasurement, 'instrument' | 'isSimulated'>;
}

/** Null while there are not readings enough. */
export function findingOfCables(
  way: Way,
  pieces: readonly MeasuredPiece[],
  items: readonly Item[],
  units: UnitSystem,
): CableFinding | null {
  const read = pieces.filter(({ summary }) => summary !== null);
  const item = items.find(({ id }) => id === read[0]?.gear);
  if (!item) return null;
  const found = {
    one: () => oneCable(read[0]!, item, units),
    lengths: () => severalLengths(read, item, units),
    compare: () => compared(read, items, units),
  }[way]();
  if (!found) return null;
  const { figures, ...rest } = found;
  const readings = read.map(({ gear, lengthM, values }) => ({
    label: `${nameOf(items, gear)}, ${formatQuantity(lengthM, 'length', units)}`,
    quantity: 'capacitance' as const,
    values,
    conditions: { lengthM, ...MODE },
  }));
  return {
    ...rest,
    sent: {
      job: way === 'one' ? 'cable' : way,
      rig: null,
      gear: way === 'compare' ? null : item.id,
      subject: item.thing.name,
      readings,
      responses: [],
      figures,
      words: rest.words,
      by: '',
      note: '',
    },
  };
}

type Result = Omit<CableFinding, 'sent'> & {
  readonly figures: CableFinding['sent']['figures'];
};

const nameOf = (items: readonly Item[], id: string): string =>
  items.find((one) => one.id === id)?.thing.name ?? id;

function oneCable(piece: MeasuredPiece, item: Item, units: UnitSystem): Result | null {
  const total = piece.summary!.median;
  const plugs = 2 * item.thing.plugF.value;
  const metres = piece.lengthM * item.thing.coil.value;
  if (!(metres > 0)) return null;
  const perM = (total - plugs) / metres;
  const looks = plausibilityOfPiece(item, piece)!.looksLike;
  const isWhole = looks === 'fits' || looks === 'anotherKind';
  const say = (value: number) => formatQuantity(value, 'capacitancePerLength', units);
  const long = lengthByCapacitance(total, item.thing.cPerMF.value * item.thing.coil.value, plugs);
  const error = Math.max(METER_SHARE * total, piece.summary!.standardError ?? 0) / metres;
  return {
    words: isWhole
      ? `${say(perM)} without its plugs, ${say(total / metres)} with them. If it is the kind that the list says, it is ${formatQuantity(long, 'length', units)} long.`
      : 'These readings are none of a whole cable.',
    doubt: isWhole ? '' : 'Nothing of it goes into the gear list.',
    values: isWhole && perM > 0 ? [{ field: 'cPerMF', value: perM, error }] : [],
    figures: [{ label: 'C′', quantity: 'capacitancePerLength', value: perM, error }],
  };
}

function severalLengths(
  read: readonly MeasuredPiece[],
  item: Item,
  units: UnitSystem,
): Result | null {
  if (new Set(read.map(({ lengthM }) => lengthM)).size < 2) return null;
  const coil = item.thing.coil.value;
  const fit = fitLengths(
    read.map(({ lengthM, summary }) => ({ lengthM: lengthM * coil, totalF: summary!.median })),
  );
  if (fit.kind !== 'line') return null;
  const { cPerMF, cPerMErrorF, plugsF, plugsErrorF } = fit;
  const perM = (value: number) => formatQuantity(value, 'capacitancePerLength', units);
  const pF = (value: number) => formatQuantity(value, 'capacitance', units);
  const isSound = cPerMF > 0;
  return {
    words: `A straight line through ${read.length} lengths: ${perM(cPerMF)} ± ${perM(2 * cPerMErrorF)}, both plugs ${pF(plugsF)} ± ${pF(2 * plugsErrorF)}.`,
    doubt: isSound ? '' : 'The longer pieces read less than the shorter ones: look at the pieces.',
    values: isSound
      ? [
          { field: 'cPerMF', value: cPerMF, error: cPerMErrorF },
          { field: 'plugF', value: plugsF / 2, error: plugsErrorF / 2 },
        ]
      : [],
    figures: [
      { label: 'C′', quantity: 'capacitancePerLength', value: cPerMF, error: cPerMErrorF },
      { label: 'both plugs', quantity: 'capacitance', value: plugsF, error: plugsErrorF },
    ],
  };
}

function compared(
  read: readonly MeasuredPiece[],
  items: readonly Item[],
  units: UnitSystem,
): Result | null {
  if (read.length < 2) return null;
  const plugsF = 2 * items.find(({ id }) => id === read[0]!.gear)!.thing.plugF.value;
  const { cables, equalM, isMisleading, isUnequal } = compareCables(
    read.map(({ gear, lengthM, summary }) => ({
      name: nameOf(items, gear),
      lengthM,
      totalF: summary!.median,
    })),
    plugsF,
  );
  const pF = (value: number) => formatQuantity(value, 'capacitance', units);
  const lines = cables.map(
    ({ name, cPerMF, atEqualLengthF }) =>
      `${name} ${formatQuantity(cPerMF, 'capacitancePerLength', units)} (${pF(atEqualLengthF)} at ${formatQuantity(equalM, 'length', units)})`,
  );
  const unequal = isMisleading
    ? ' By the piece it looked the other way about: the pieces are not of one length.'
    : isUnequal
      ? ' The pieces are not of one length, so their readings as they are say nothing.'
      : '';
  return {
    words: `By the metre, the least first: ${lines.join('; ')}.${unequal}`,
    doubt: '',
    values: [],
    figures: cables.map(({ name, cPerMF }) => ({
      label: name.slice(0, 120),
      quantity: 'capacitancePerLength' as const,
      value: cPerMF,
      error: null,
    })),
  };
}
