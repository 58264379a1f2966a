import { DESTINATION_KINDS, destinationOfKind, type Destination } from '../gear';
import { formatQuantity, formatSignedDb, type UnitSystem } from '../quantity';
import { measureRig, nameSwitch, semitonesBetween } from '../figures';
import { destinationLoad, type SectionSolver } from '../path';
import { bufferMoves, makeMoves } from '../plans';
import { mainRow, type ApproachKind, type Rig } from '../rig';
import { sayUnbalanced } from '../tools';
import { buffersOf } from './aboutParts';
import { changeOf, type Case } from './case';
import type { Judgement } from './judgement';

/// What the whole way amounts to, under the rig's own approach.

const db = (value: number, decimals = 2) => `${formatSignedDb(value, decimals)} dB`;
const WANTS_BUFFER: readonly ApproachKind[] = ['clear', 'bookends', 'oneBuffer', 'steady'];

/** A buffer further forward has to bring back at least this much, dB. */
const WORTH_DB = 0.5;

/** There is a buffer, but most of the loss lies before it. */
export function judgeLateBuffer(
  at: Case,
  rig: Rig,
  units: UnitSystem,
  solver: SectionSolver,
): readonly Judgement[] {
  const { analysis, path, route } = at;
  const [first] = buffersOf(at);
  const { figures } = analysis;
  if (!first || route.kind !== 'front' || !WANTS_BUFFER.includes(rig.electrical.approach.kind))
    return [];
  const further = bestFurtherForward(rig, first.device.id, solver);
  if (further === null || Math.abs(figures.trebleDb) - Math.abs(further) < WORTH_DB) return [];
  const inFront = path.sections[0]!;
  const boost = Math.max(0, -figures.trebleHighDb);
  return [
    {
      key: `lateBuffer:${first.device.id}`,
      kind: 'lateBuffer',
      weight: 'warning',
      spot: { kind: 'device', id: first.device.id },
      title: `Your first buffer (${first.device.name}) comes too late`,
      reason:
        'What lies before a buffer is not repaired by it. One right after the first cable does most of it. The treble lost before it can be turned up again after it, but its noise comes up with it.',
      numbers: [
        ['before it', formatQuantity(inFront.cableM, 'length', units)],
        ['treble now', db(figures.trebleDb)],
        ['with one further forward', db(further)],
        ['boost at 4–8 kHz instead', db(boost, 1)],
      ],
      when: 'as the switches stand',
      approaches: WANTS_BUFFER,
    },
  ];
}

/** The T nearest to straight in that an ordinary buffer reaches ahead of a device; null where none can stand there. */
function bestFurtherForward(rig: Rig, deviceId: string, solver: SectionSolver): number | null {
  const { devices } = mainRow(rig);
  const first = devices.findIndex(({ id }) => id === deviceId);
  const reached = bufferMoves(rig, []).flatMap((move) => {
    const at = 'before' in move.action ? move.action.before : null;
    const place = devices.findIndex(({ id }) => id === at);
    if (place < 0 || place > first) return [];
    const made = makeMoves(rig, [move]);
    const measured = made && measureRig(made.rig, solver);
    return measured?.kind === 'sounding' ? [measured.figures.trebleDb] : [];
  });
  return reached.reduce<number | null>(
    (best, db) => (best === null || Math.abs(db) < Math.abs(best) ? db : best),
    null,
  );
}

const TURN_UP_DB = 1.5;

/** A loss that is always there can be turned up again at the amp; what hisses before it comes up too. */
export function judgeTurnUp({ analysis, route, rig }: Case): readonly Judgement[] {
  const { figures, verdict } = analysis;
  const isLost = verdict.direction === 'duller' && figures.trebleDb <= -TURN_UP_DB;
  const destination = rig.electrical.destinations[0]!;
  if (!isLost || route.kind !== 'front' || destination.kind !== 'amp') return [];
  const presence = Math.max(0, -figures.trebleHighDb);
  return [
    {
      key: 'turnUp:',
      kind: 'turnUp',
      weight: 'note',
      spot: { kind: 'destination', id: destination.id },
      title: 'It can be turned up at the amp instead',
      reason:
        'Treble and presence bring a loss back that is the same in every state. The hiss of everything before the amp comes up by as much, and a resonance that is gone stays gone.',
      numbers: [
        ['treble up, 2–4 kHz', db(Math.max(0, -figures.trebleLowDb), 1)],
        ['presence up, 4–8 kHz', db(presence, 1)],
        ['hiss up, at most', db(presence, 1)],
      ],
      when: 'as the switches stand',
      approaches: 'every',
    },
  ];
}

const WEAK_OHM = 2000;

/** Under "bookends" the last box has to give from a low impedance in every state. */
export function judgeWeakEnd(at: Case): readonly Judgement[] {
  if (at.rig.electrical.approach.kind !== 'bookends') return [];
  const weak = at.feeds.filter(
    ({ to, source }) =>
      to.kind === 'destination' && (source.kind !== 'voltage' || source.rOutOhm > WEAK_OHM),
  );
  const [worst] = [...weak].sort((a, b) => outOf(b) - outOf(a));
  if (!worst) return [];
  const last = at.path.sections.at(-1)!;
  const cost = changeOf(at, (circuit) =>
    circuit === last.circuit && circuit.source.kind === 'voltage'
      ? { ...circuit, source: { ...circuit.source, rOutOhm: 150 } }
      : circuit,
  );
  const name = worst.from.kind === 'device' ? nameSwitch(at.rig, worst.from.id) : at.guitarName;
  return [
    {
      key: 'weakEnd:',
      kind: 'weakEnd',
      weight: 'note',
      spot: { kind: worst.from.kind, id: worst.from.id },
      title: 'The last cable is not always driven from a low impedance',
      reason: `Bookends wants a buffer at the end too. In some state ${name} drives the cable out itself. Whether that can be heard is in the figures: it matters where several kΩ meet a long cable.`,
      numbers: [
        [
          'gives from',
          Number.isFinite(outOf(worst))
            ? formatQuantity(outOf(worst), 'resistance', 'metric')
            : 'the pickup',
        ],
        ['a buffer there, as it stands', db(cost.trebleDb)],
      ],
      when: 'in some state of the switches',
      approaches: ['bookends'],
    },
  ];
}

const outOf = ({ source }: Case['feeds'][number]): number =>
  source.kind === 'voltage' ? source.rOutOhm : Infinity;

const STEADY_DB = 1;

/** Switching alone moves the sound. */
export function judgeSpread({ states, rig }: Case): readonly Judgement[] {
  if (states.kind !== 'states') return [];
  const spread = states.calmSpreadDb ?? states.spreadDb;
  const limit = rig.electrical.approach.kind === 'steady' ? STEADY_DB : 4;
  if (spread < limit) return [];
  return [
    {
      key: 'spread:',
      kind: 'spread',
      weight: rig.electrical.approach.kind === 'steady' ? 'warning' : 'note',
      spot: null,
      title: 'The tone depends on which pedals are on',
      reason:
        'Every pedal that is switched on takes the drive over from what stands before it. A buffer early on, or buffered bypasses, keep the states together; some like that the first drive brightens the rest.',
      numbers: [
        ['apart by switching alone', `${spread.toFixed(2)} dB`],
        ['brightest', db(states.brightest.trebleDb)],
        ['dullest', db(states.dullest.trebleDb)],
      ],
      when: `over ${states.count.toLocaleString('en')} states`,
      approaches: rig.electrical.approach.kind === 'steady' ? ['steady'] : 'every',
    },
  ];
}

/** Under "shaped" the resonance is what counts. */
export function judgeResonance({ rig, analysis }: Case): readonly Judgement[] {
  const { kind, wantedHz } = rig.electrical.approach;
  if (kind !== 'shaped') return [];
  const { resonance } = analysis;
  const wanted = formatQuantity(wantedHz.value, 'frequency', 'metric');
  const apart =
    resonance.kind === 'resonance' ? semitonesBetween(wantedHz.value, resonance.frequencyHz) : null;
  if (apart !== null && Math.abs(apart) < 1) return [];
  return [
    {
      key: 'resonance:',
      kind: 'resonance',
      weight: 'note',
      spot: { kind: 'source', id: rig.electrical.guitars[0]!.id },
      title:
        apart === null
          ? 'There is no resonance left to place'
          : 'The resonance is not where it is wanted',
      reason:
        apart !== null && apart > 0
          ? 'It lies too high: a longer cable or more capacitance brings it down. The capacitance finder says how much.'
          : apart === null
            ? 'Something resistive swallows it: a hardwired bypass, a low input. Take that out first.'
            : 'It lies too low: a shorter cable or one of less capacitance brings it up.',
      numbers: [
        ['wanted', wanted],
        [
          'now',
          resonance.kind === 'resonance'
            ? formatQuantity(resonance.frequencyHz, 'frequency', 'metric')
            : 'none',
        ],
        ...(apart === null ? [] : ([['apart', `${formatSignedDb(apart)} semitones`]] as const)),
      ],
      when: 'as the switches stand',
      approaches: ['shaped'],
    },
  ];
}

const PIEZO_OHM = 5e6;

/** A piezo wants megohms; a DI wants the source it is made for; long unbalanced cables want a DI. */
export const judgeDestinations = (at: Case, units: UnitSystem): readonly Judgement[] => [
  ...judgePiezo(at),
  ...judgeDi(at),
  ...judgeUnbalanced(at, units),
];

function judgePiezo(at: Case): readonly Judgement[] {
  const { source, load } = at.path.sections[0]!.circuit;
  if (source.kind !== 'piezo' || load.rOhm >= PIEZO_OHM) return [];
  const good = changeOf(at, (circuit, i) =>
    i === 0 ? { ...circuit, load: { ...circuit.load, rOhm: 10e6 } } : circuit,
  );
  const corner = 1 / (2 * Math.PI * load.rOhm * source.cF);
  return [
    {
      key: 'piezoLoad:',
      kind: 'piezoLoad',
      weight: 'warning',
      spot: { kind: 'source', id: at.route.source.spot.id },
      title: 'This input is too low for a piezo',
      reason: 'A piezo is a small capacitor: it wants 5 to 10 MΩ, or its bottom goes.',
      numbers: [
        ['the input it meets', formatQuantity(load.rOhm, 'resistance', 'metric')],
        ['its bottom falls below', formatQuantity(corner, 'frequency', 'metric')],
        ['level it costs', db(-good.levelDb)],
      ],
      when: 'as the switches stand',
      approaches: 'every',
    },
  ];
}

/** What the way ends in, unless that is the return of an effects loop. */
const destinationOf = ({ rig, route }: Case): Destination | undefined =>
  route.kind === 'ampLoop'
    ? undefined
    : rig.electrical.destinations.find(({ id }) => id === route.destination.spot.id);

function judgeDi(at: Case): readonly Judgement[] {
  const destination = destinationOf(at);
  const last = at.path.sections.at(-1)!;
  if (last.circuit.source.kind === 'voltage') return [];
  if (destination?.kind !== 'passiveDi' && destination?.kind !== 'mixer') return [];
  const other = destinationLoad(destinationOfKind('activeDi', ''));
  const asActive = changeOf(at, (circuit) =>
    circuit === last.circuit ? { ...circuit, load: other } : circuit,
  );
  return [
    {
      key: `wrongDi:${destination.id}`,
      kind: 'wrongDi',
      weight: 'warning',
      spot: { kind: 'destination', id: destination.id },
      title: `A pickup straight into a ${DESTINATION_KINDS[destination.kind].label}`,
      reason:
        'A passive source wants an active DI (1 MΩ and more; 5 MΩ for a piezo). The transformer is for what has an output of its own. Put a buffer or a pedal that is on before it, or change the DI.',
      numbers: [
        ['level it takes', db(-asActive.levelDb)],
        ['treble it takes', db(-asActive.trebleDb)],
        ['its input', formatQuantity(destination.rInOhm.value, 'resistance', 'metric')],
      ],
      when: 'as the switches stand',
      approaches: 'every',
    },
  ];
}

/** Past this a cable to the mixer wants to be balanced, m. */
const LONGEST_UNBALANCED_M = 8;

function judgeUnbalanced(at: Case, units: UnitSystem): readonly Judgement[] {
  const destination = destinationOf(at);
  const { cableM } = at.path.sections.at(-1)!;
  if (destination?.kind !== 'mixer' || cableM <= LONGEST_UNBALANCED_M) return [];
  return [
    {
      key: `longUnbalanced:${destination.id}`,
      kind: 'longUnbalanced',
      weight: 'note',
      spot: { kind: 'destination', id: destination.id },
      title: 'A long unbalanced cable to the mixer',
      reason: `Past ${sayUnbalanced(units)} towards a mixer use a DI, so that what the cable picks up cancels.`,
      numbers: [
        ['cable', formatQuantity(cableM, 'length', units)],
        ['air over it', db(at.analysis.figures.airDb)],
      ],
      when: 'always',
      approaches: 'every',
    },
  ];
}
