import type { PlaceProblem } from './placeProblem';
import { formatQuantity } from '../quantity';
import type { Case, CaseJack, JackKind } from './case';
import type { Board } from './fittings';
import { checkSupply } from './checkSupply';
import type { GearKind, Things } from './gearItem';
import { OUTLETS } from './sharedLines';
import type { Supply } from './supply';

/// Places on a thing lie on it: jacks on their side, foot-switches on the case, slats and openings on the board.

const JACKS: Readonly<Record<JackKind, string>> = {
  in: 'input',
  out: 'output',
  side: 'side jack',
  send: 'send',
  return: 'return',
  power: 'power jack',
  midi: 'MIDI jack',
  control: 'control jack',
  expression: 'expression jack',
  usb: 'USB jack',
};

const size = (m: number): string => formatQuantity(m, 'size', 'metric');
const isWithin = (m: number, least: number, most: number): boolean =>
  Number.isFinite(m) && m >= least - 1e-9 && m <= most + 1e-9;

function* checkWithin(
  path: string,
  what: string,
  m: number,
  least: number,
  most: number,
): Generator<PlaceProblem> {
  if (!isWithin(m, least, most))
    yield {
      path,
      message: `${what}: ${size(m)} is not between ${size(least)} and ${size(most)}.`,
    };
}

function* checkCase(
  { jacks, switches, widthM, depthM }: Case,
  at: string,
  name: string,
): Generator<PlaceProblem> {
  const [width, depth] = [widthM.value, depthM.value];
  for (const [i, jack] of jacks.entries()) {
    const most = lengthOfSide(jack, width, depth);
    const what = `${name}, ${JACKS[jack.kind]} along the ${jack.side} of its case`;
    yield* checkWithin(`${at}.jacks[${i}].alongM`, what, jack.alongM, 0, most);
  }
  for (const [i, { xM, yM }] of switches.entries()) {
    const what = `${name}, foot-switch ${i + 1}`;
    yield* checkWithin(`${at}.switches[${i}].xM`, `${what} from the left`, xM, 0, width);
    yield* checkWithin(`${at}.switches[${i}].yM`, `${what} from the front`, yM, 0, depth);
  }
}

const lengthOfSide = ({ side }: CaseJack, width: number, depth: number): number =>
  side === 'left' || side === 'right' ? depth : width;

function* checkBoard(board: Board, at: string): Generator<PlaceProblem> {
  const [width, depth] = [board.widthM.value, board.depthM.value];
  let behind = 0;
  for (const [i, { frontM, backM }] of board.slats.entries()) {
    const [path, what] = [`${at}.slats[${i}]`, `${board.name}, slat ${i + 1}`];
    yield* checkWithin(`${path}.frontM`, `${what}, front edge`, frontM, 0, depth);
    yield* checkWithin(`${path}.backM`, `${what}, back edge`, backM, 0, depth);
    if (backM <= frontM) {
      const message = `${what}: its back edge at ${size(backM)} is not behind its front edge at ${size(frontM)}.`;
      yield { path: `${path}.backM`, message };
    }
    if (i > 0 && frontM < behind - 1e-9) {
      const message = `${what}: it begins at ${size(frontM)}, and slat ${i} ends at ${size(behind)}: they overlap.`;
      yield { path: `${path}.frontM`, message };
    }
    behind = backM;
  }
  if (board.surface === 'rows' && board.slats.length === 0) {
    const message = `${board.name}: a board of rows needs at least 1 slat.`;
    yield { path: `${at}.slats`, message };
  }
  for (const [i, { shape, xM, yM, widthM, depthM }] of board.openings.entries()) {
    const [path, what] = [`${at}.openings[${i}]`, `${board.name}, opening ${i + 1}`];
    const across = shape === 'round' ? widthM : depthM;
    yield* checkWithin(`${path}.widthM`, `${what}, width`, widthM, 0.002, width);
    yield* checkWithin(`${path}.depthM`, `${what}, depth`, across, 0.002, depth);
    yield* checkWithin(`${path}.xM`, `${what} from the left`, xM, widthM / 2, width - widthM / 2);
    yield* checkWithin(`${path}.yM`, `${what} from the front`, yM, across / 2, depth - across / 2);
  }
}

/** What lies beside the thing it should be on. @param at path of the thing */
export function* checkPlaces<K extends GearKind>(
  kind: K,
  thing: Things[K],
  at: string,
): Generator<PlaceProblem> {
  if (kind === 'board') yield* checkBoard(thing as Board, at);
  if (kind === 'supply') yield* checkSupply(thing as Supply, OUTLETS.rules!, at);
  const { body } = thing as { readonly body?: Case };
  if (body) yield* checkCase(body, `${at}.body`, thing.name);
}
