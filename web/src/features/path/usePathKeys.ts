import {
  FIELD_RULES,
  findCable,
  METRES_PER_FOOT,
  setCableLength,
  type Edit,
  type Rig,
  type StopSummary,
} from '@gullwind/core';
import { useEffect, useRef, type RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useAppDispatch } from '../../app/storeHooks';
import { useSettings } from '../../app/useSettings';
import { editorActions, useOpenNow } from '../editor';
import { firstSelection, stepSelection } from './model/selection';
import type { PathActions } from './usePathActions';

interface Wiring {
  readonly rig: Rig;
  /** Of the way that is shown. */
  readonly stops: readonly StopSummary[];
  readonly actions: PathActions;
  readonly inspector: RefObject<HTMLDivElement | null>;
  readonly isOff: boolean;
}

const MENUS = '[role="menu"], [role="dialog"], [role="radiogroup"], [role="combobox"]';
const PRESSED_BY_THEMSELVES = 'button, a, [role="button"], [role="option"][tabindex]';

/** The keys of the path page; its entry among the stages lists them. */
export function usePathKeys(wiring: Wiring): void {
  const { isOff } = wiring;
  const plain = usePlainKeys(wiring);
  useHotkeys('*', plain, {
    enabled: !isOff,
    ignoreEventWhen: ({ target }) => target instanceof Element && target.closest(MENUS) !== null,
  });
}

function usePlainKeys({ rig, stops, actions, inspector }: Wiring) {
  const nudge = useNudge(actions);
  const go = (by: number) => actions.select(stepSelection(rig, stops, actions.selection, by));
  const keys: Readonly<Record<string, (event: KeyboardEvent) => void>> = {
    ArrowLeft: (event) => (event.altKey ? actions.moveSelected(-1) : go(-1)),
    ArrowRight: (event) => (event.altKey ? actions.moveSelected(1) : go(1)),
    Home: () => actions.select(firstSelection(rig)),
    End: () => actions.select({ kind: 'destination', id: rig.electrical.destinations[0]!.id }),
    ArrowUp: (event) => nudge(1, event.shiftKey),
    ArrowDown: (event) => nudge(-1, event.shiftKey),
    '+': () => nudge(1, false),
    '-': () => nudge(-1, false),
    ' ': () => actions.selection.kind === 'device' && actions.toggle(actions.selection.id),
    Enter: () =>
      inspector.current?.querySelector<HTMLElement>('[data-first], [data-quantity] input')?.focus(),
    Delete: actions.remove,
    Backspace: actions.remove,
    a: actions.add,
    b: actions.bufferAfter,
  };
  return (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || belongsToButton(event)) return;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const number = event.altKey ? null : switchNumber(key);
    const act = Object.hasOwn(keys, key) ? keys[key] : undefined;
    if (number === null && !act) return;
    event.preventDefault();
    if (number !== null) actions.toggleByNumber(number);
    else act!(event);
  };
}

/** Space and Enter press what has the focus. */
function belongsToButton({ key, target }: KeyboardEvent): boolean {
  const isPress = key === ' ' || key === 'Enter';
  return isPress && target instanceof Element && target.closest(PRESSED_BY_THEMSELVES) !== null;
}

/** 1 to 9, and 0 for the tenth. */
const switchNumber = (key: string): number | null =>
  /^[0-9]$/u.test(key) ? Number(key) || 10 : null;

/** Draws the selected cable longer or shorter while a key is held: one hold is one edit. */
function useNudge(actions: PathActions) {
  const dispatch = useAppDispatch();
  const openNow = useOpenNow();
  const [{ units }] = useSettings();
  const held = useRef<{ id: string; lengthM: number; edit: Edit } | null>(null);
  useEffect(() => {
    const commit = () => {
      if (held.current) dispatch(editorActions.edited(held.current.edit));
      held.current = null;
    };
    window.addEventListener('keyup', commit);
    window.addEventListener('blur', commit);
    return () => {
      window.removeEventListener('keyup', commit);
      window.removeEventListener('blur', commit);
    };
  }, [dispatch]);
  return (sign: 1 | -1, large: boolean) => {
    const { selection } = actions;
    const rig = openNow()?.rig;
    const cable = rig && selection.kind === 'cable' ? findCable(rig, selection.id) : undefined;
    if (!cable) return;
    const step = stepM(units, cable.lengthM.value, large);
    const from = held.current?.id === cable.id ? held.current.lengthM : cable.lengthM.value;
    const { min, max } = FIELD_RULES.cable.lengthM;
    const lengthM = Math.min(max, Math.max(min, Number((from + sign * step).toFixed(4))));
    held.current = { id: cable.id, lengthM, edit: setCableLength(cable.id, lengthM) };
    dispatch(editorActions.previewed(held.current.edit));
  };
}

/** Half a metre or foot for a cable, a twentieth for a patch; four times that with Shift. */
function stepM(units: 'metric' | 'imperial', lengthM: number, large: boolean): number {
  const unitM = units === 'metric' ? 1 : METRES_PER_FOOT;
  const fine = lengthM > 1 ? 0.5 : 0.05;
  return unitM * fine * (large ? 4 : 1);
}
