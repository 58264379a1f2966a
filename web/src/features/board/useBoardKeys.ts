import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Size } from '../../ui/useElementSize';
import type { Asking } from './asking/asking';
import { boardAct, type BoardAct, type BoardNow } from './model/boardKeys';
import type { Look } from './model/projection';
import type { BoardSelection } from './model/selection';
import type { BoardActions } from './useBoardActions';

interface Keys extends Pick<BoardNow, 'plan' | 'look' | 'selection'> {
  readonly size: Size;
  readonly onLook: (look: Look) => void;
  readonly onSelect: (selection: BoardSelection) => void;
  readonly actions: BoardActions;
  readonly panel: RefObject<HTMLElement | null>;
  readonly isOff: boolean;
  readonly asking: Asking;
}

const ELSEWHERE =
  '[role="menu"], [role="dialog"], input, select, textarea, [role="combobox"], [contenteditable]';
const PRESSED_BY_THEMSELVES = 'button, a, [role="button"], summary';

/** The keys of the board; its entry among the stages lists them. */
export function useBoardKeys(keys: Keys): void {
  const { asked, wishes } = keys.asking;
  useHotkeys(
    '*',
    (event) => {
      if (belongsElsewhere(event)) return;
      const act = boardAct({ ...keys, asked, wishes }, event);
      if (!act) return;
      event.preventDefault();
      perform(keys, act);
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

function perform({ actions, onLook, onSelect, asking, panel }: Keys, act: BoardAct): void {
  switch (act.does) {
    case 'edit':
      return actions.edit(act.edit);
    case 'look':
      return onLook(act.look);
    case 'select':
      return onSelect(act.selection);
    case 'ask':
      return asking.onAsk(act.asked);
    case 'wish':
      return asking.onWish(act.wishes);
    case 'goToPanel':
      return panel.current?.querySelector<HTMLElement>('[data-quantity] input')?.focus();
  }
}
