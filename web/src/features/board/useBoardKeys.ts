import type { BoardPlan } from '@gullwind/core';
import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { zoomedAt, WHOLE, type Look } from './chart/projection';
import type { Size } from '../../ui/useElementSize';
import { pinToggled, type Asking } from './asking/asking';
import { NOTHING, onlyThing, type BoardSelection } from './selection';
import { standingOf, type BoardActions } from './useBoardActions';

interface Keys {
  readonly plan: BoardPlan;
  readonly look: Look;
  readonly size: Size;
  readonly onLook: (look: Look) => void;
  readonly selection: BoardSelection;
  readonly onSelect: (selection: BoardSelection) => void;
  readonly actions: BoardActions;
  readonly panel: RefObject<HTMLElement | null>;
  readonly isOff: boolean;
  readonly asking: Asking;
}

const ELSEWHERE =
  '[role="menu"], [role="dialog"], input, select, textarea, [role="combobox"], [contenteditable]';
const PRESSED_BY_THEMSELVES = 'button, a, [role="button"], summary';

const STEP_M = 0.001;
const LARGE_STEP_M = 0.01;
const PAN_PX = 40;

/** The keys of the board; its entry among the stages lists them. */
export function useBoardKeys(keys: Keys): void {
  const acts = actsOf(keys);
  useHotkeys(
    '*',
    (event) => {
      if (belongsElsewhere(event)) return;
      const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
      const act = Object.hasOwn(acts, key) ? acts[key] : undefined;
      if (act && act(event) !== false) event.preventDefault();
    },
    {
      enabled: !keys.isOff,
      ignoreEventWhen: ({ target }) =>
        target instanceof Element && target.closest(ELSEWHERE) !== null,
    },
  );
}

/** Other chords are others', and what has the focus is pressed by Enter and Space itself. */
function belongsElsewhere({ key, target, metaKey, ctrlKey, altKey }: KeyboardEvent): boolean {
  if (metaKey || altKey || (ctrlKey && key.toLowerCase() !== 'a')) return true;
  const isPress = key === 'Enter' || key === ' ';
  return isPress && target instanceof Element && target.closest(PRESSED_BY_THEMSELVES) !== null;
}

type Act = (event: KeyboardEvent) => unknown;

/** What is asked of the board by keys. */
function askingActs({ plan, selection, asking }: Keys): Readonly<Record<string, Act>> {
  const { things } = selection;
  const last = things.at(-1);
  const middle = () => {
    const { rect } = plan.decks[0]!;
    return { x: (rect.x0 + rect.x1) / 2, y: (rect.y0 + rect.y1) / 2 };
  };
  return {
    g: () => asking.onAsk({ kind: 'arrange' }),
    w: () =>
      asking.onAsk(last === undefined ? { kind: 'here', at: middle() } : { kind: 'fit', id: last }),
    s: () => things.length === 2 && asking.onAsk({ kind: 'swap', pair: [things[0]!, things[1]!] }),
    k: () => asking.onWish(things.reduce((wishes, id) => pinToggled(wishes, id), asking.wishes)),
  };
}

function actsOf(keys: Keys): Readonly<Record<string, Act>> {
  const { plan, look, size, onLook, selection, onSelect, actions, panel, asking } = keys;
  const flip = look.side === 'below' ? -1 : 1;
  const chosen = () => standingOf(plan, selection.things);
  /** What is selected moves; with nothing selected, what is looked at. */
  const push =
    (x: number, y: number): Act =>
    ({ shiftKey }) => {
      const step = shiftKey ? LARGE_STEP_M : STEP_M;
      const from = chosen();
      if (from.length > 0) return actions.move(from, flip * x * step, y * step, true);
      return onLook({ ...look, panX: look.panX - x * PAN_PX, panY: look.panY + y * PAN_PX });
    };
  const next = (by: number) => () => {
    const ids = plan.standings.map(({ thing }) => thing.id);
    if (ids.length === 0) return;
    const at = ids.indexOf(selection.things.at(-1) ?? '');
    const from = at < 0 && by < 0 ? 0 : at;
    onSelect(onlyThing(ids[(from + by + ids.length) % ids.length]!));
  };
  const zoom = (factor: number) => () =>
    onLook(zoomedAt(look, factor, { x: size.width / 2, y: size.height / 2 }, size));
  return {
    ArrowLeft: push(-1, 0),
    ArrowRight: push(1, 0),
    ArrowUp: push(0, 1),
    ArrowDown: push(0, -1),
    PageDown: next(1),
    PageUp: next(-1),
    '.': next(1),
    ',': next(-1),
    a: ({ ctrlKey }) =>
      ctrlKey && onSelect({ things: plan.standings.map(({ thing }) => thing.id), cable: null }),
    r: () => actions.turn(chosen()),
    Delete: () => actions.takeOff(selection.things),
    Backspace: () => actions.takeOff(selection.things),
    Escape: () => (asking.asked ? asking.onAsk(null) : onSelect(NOTHING)),
    ...askingActs(keys),
    Enter: () => panel.current?.querySelector<HTMLElement>('[data-quantity] input')?.focus(),
    f: () => onLook({ ...look, side: look.side === 'above' ? 'below' : 'above' }),
    '+': zoom(1.25),
    '=': zoom(1.25),
    '-': zoom(0.8),
    '0': () => onLook({ ...look, ...WHOLE }),
  };
}
