import type { BoardPlan, Edit, Wishes } from '@gullwind/core';
import type { Size } from '../../../ui/useElementSize';
import { pinToggled, type Asked } from './asked';
import { moved, standingOf, takenOff, turned } from './boardEdits';
import { WHOLE, zoomedAt, type Look } from './projection';
import { NOTHING, onlyThing, type BoardSelection } from './selection';

/// What a key means on the board; its entry among the stages lists them.

/** What the keys know of the board. */
export interface BoardNow {
  readonly plan: BoardPlan;
  readonly look: Look;
  readonly size: Size;
  readonly selection: BoardSelection;
  readonly asked: Asked | null;
  readonly wishes: Wishes;
}

export interface PressedKey {
  readonly key: string;
  readonly shiftKey: boolean;
  readonly ctrlKey: boolean;
}

export type BoardAct =
  | { readonly does: 'edit'; readonly edit: Edit }
  | { readonly does: 'look'; readonly look: Look }
  | { readonly does: 'select'; readonly selection: BoardSelection }
  | { readonly does: 'ask'; readonly asked: Asked | null }
  | { readonly does: 'wish'; readonly wishes: Wishes }
  | { readonly does: 'goToPanel' };

const STEP_M = 0.001;
const LARGE_STEP_M = 0.01;
const PAN_PX = 40;
const CLOSER = 1.25;
const FARTHER = 0.8;

/** What a key does; null where it means nothing here. */
export function boardAct(now: BoardNow, pressed: PressedKey): BoardAct | null {
  const { key, ctrlKey } = pressed;
  const name = key.length === 1 ? key.toLowerCase() : key;
  if (ctrlKey) return name === 'a' ? select(allOf(now.plan)) : null;
  return (
    arrowAct(now, pressed) ?? thingAct(now, name) ?? askingAct(now, name) ?? lookAct(now, name)
  );
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** What is selected moves, as the arrow points on the page; with nothing selected, what is looked at. */
function arrowAct(now: BoardNow, { key, shiftKey }: PressedKey): BoardAct | null {
  const arrow = Object.hasOwn(ARROWS, key) ? ARROWS[key] : undefined;
  if (!arrow) return null;
  const [x, y] = arrow;
  const { plan, look, selection } = now;
  const from = standingOf(plan, selection.things);
  if (from.length === 0)
    return {
      does: 'look',
      look: { ...look, panX: look.panX - x * PAN_PX, panY: look.panY + y * PAN_PX },
    };
  const step = shiftKey ? LARGE_STEP_M : STEP_M;
  const flip = look.side === 'below' ? -1 : 1;
  return editing(moved(from, flip * x * step, y * step));
}

/** What is done to what is selected, and what is selected next. */
function thingAct({ plan, selection, asked }: BoardNow, name: string): BoardAct | null {
  switch (name) {
    case 'PageDown':
    case '.':
      return next(plan, selection, 1);
    case 'PageUp':
    case ',':
      return next(plan, selection, -1);
    case 'r':
      return editing(turned(standingOf(plan, selection.things)));
    case 'Delete':
    case 'Backspace':
      return editing(takenOff(selection.things));
    case 'Escape':
      return asked ? { does: 'ask', asked: null } : select(NOTHING);
    case 'Enter':
      return { does: 'goToPanel' };
    default:
      return null;
  }
}

/** What is asked of the board. */
function askingAct({ plan, selection, wishes }: BoardNow, name: string): BoardAct | null {
  const { things } = selection;
  const last = things.at(-1);
  switch (name) {
    case 'g':
      return { does: 'ask', asked: { kind: 'arrange' } };
    case 'w':
      return {
        does: 'ask',
        asked:
          last === undefined ? { kind: 'here', at: middleOf(plan) } : { kind: 'fit', id: last },
      };
    case 's':
      return things.length === 2
        ? { does: 'ask', asked: { kind: 'swap', pair: [things[0]!, things[1]!] } }
        : null;
    case 'k':
      return { does: 'wish', wishes: things.reduce(pinToggled, wishes) };
    default:
      return null;
  }
}

function lookAct({ look, size }: BoardNow, name: string): BoardAct | null {
  const middle = { x: size.width / 2, y: size.height / 2 };
  switch (name) {
    case 'f':
      return { does: 'look', look: { ...look, side: look.side === 'above' ? 'below' : 'above' } };
    case '+':
    case '=':
      return { does: 'look', look: zoomedAt(look, CLOSER, middle, size) };
    case '-':
      return { does: 'look', look: zoomedAt(look, FARTHER, middle, size) };
    case '0':
      return { does: 'look', look: { ...look, ...WHOLE } };
    default:
      return null;
  }
}

const select = (selection: BoardSelection): BoardAct => ({ does: 'select', selection });

const editing = (edit: Edit | null): BoardAct | null => edit && { does: 'edit', edit };

const allOf = ({ standings }: BoardPlan): BoardSelection => ({
  things: standings.map(({ thing }) => thing.id),
  cable: null,
});

/** The next or the one before, round and round. */
function next({ standings }: BoardPlan, { things }: BoardSelection, by: 1 | -1): BoardAct | null {
  const ids = standings.map(({ thing }) => thing.id);
  if (ids.length === 0) return null;
  const at = ids.indexOf(things.at(-1) ?? '');
  const from = at < 0 && by < 0 ? 0 : at;
  return select(onlyThing(ids[(from + by + ids.length) % ids.length]!));
}

function middleOf({ decks }: BoardPlan) {
  const { x0, y0, x1, y1 } = decks[0]!.rect;
  return { x: (x0 + x1) / 2, y: (y0 + y1) / 2 };
}
