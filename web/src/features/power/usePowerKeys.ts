import { changeFeed, hang, unhang, type Edit, type Feedings, type Rig } from '@gullwind/core';
import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NOTHING, type Picked } from './sayPower';

interface Keys {
  readonly rig: Rig;
  readonly feedings: Feedings;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly onEdit: (edit: Edit) => void;
  readonly onPropose: () => void;
  readonly panel: RefObject<HTMLElement | null>;
  readonly isOff: boolean;
}

const ELSEWHERE =
  '[role="menu"], [role="dialog"], input, select, textarea, [role="combobox"], [contenteditable]';

/** Every place on the delta, from top to bottom. */
function placesIn({ supplies, consumers, fed }: Feedings): readonly Picked[] {
  const hung = supplies.flatMap(({ supply, outlets }): Picked[] => [
    { of: 'supply', id: supply.id },
    ...outlets.flatMap(({ outlet, hung: things }): Picked[] => [
      { of: 'outlet', supply: supply.id, outlet },
      ...things.map(({ consumer }): Picked => ({ of: 'thing', id: consumer.id })),
    ]),
  ]);
  const loose = consumers.filter(({ id }) => !fed.has(id));
  return [...hung, ...loose.map(({ id }): Picked => ({ of: 'thing', id }))];
}

/** The next free outlet up or down from where a thing hangs. */
export function hangBeside(rig: Rig, feedings: Feedings, id: string, by: 1 | -1): Edit | null {
  const outlets = feedings.supplies.flatMap(({ outlets: all }) => all);
  const feed = feedings.fed.get(id)?.feed;
  const at = outlets.findIndex(
    ({ supply, outlet }) => supply.id === feed?.supply && outlet === feed.outlet,
  );
  const from = at < 0 && by < 0 ? outlets.length : at;
  const isFree = (i: number): boolean => outlets[i]!.hung.length + outlets[i]!.helps.length === 0;
  for (let i = from + by; i >= 0 && i < outlets.length; i += by)
    if (isFree(i))
      return hang(rig, id, { supply: outlets[i]!.supply.id, outlet: outlets[i]!.outlet });
  return null;
}

/** The keys of the power; its entry among the stages lists them. */
export function usePowerKeys(keys: Keys): void {
  const { isOff } = keys;
  useHotkeys(
    '*',
    (event) => {
      if (event.metaKey || event.ctrlKey || event.altKey) return;
      if (act(event, keys)) event.preventDefault();
    },
    {
      enabled: !isOff,
      ignoreEventWhen: ({ target }) =>
        target instanceof Element && target.closest(ELSEWHERE) !== null,
    },
  );
}

function act({ key, shiftKey }: KeyboardEvent, keys: Keys): boolean {
  const { rig, feedings, picked, onPick, onEdit, onPropose, panel } = keys;
  const places = placesIn(feedings);
  const at = places.findIndex((one) => JSON.stringify(one) === JSON.stringify(picked));
  const go = (by: number): boolean => {
    if (places.length === 0) return false;
    const from = at < 0 && by < 0 ? 0 : at;
    onPick(places[(from + by + places.length) % places.length]!);
    return true;
  };
  const make = (edit: Edit | null): boolean => {
    if (edit) onEdit(edit);
    return edit !== null;
  };
  const thing = picked.of === 'thing' ? picked.id : null;
  switch (key) {
    case 'ArrowDown':
    case 'ArrowUp': {
      const by = key === 'ArrowDown' ? 1 : -1;
      return shiftKey ? thing !== null && make(hangBeside(rig, feedings, thing, by)) : go(by);
    }
    case 'Delete':
    case 'Backspace':
      return thing !== null && make(unhang(rig, thing));
    case 'f':
    case 'F': {
      const feed = thing === null ? undefined : feedings.fed.get(thing)?.feed;
      return feed !== undefined && make(changeFeed(rig, feed.consumer, { isFixed: !feed.isFixed }));
    }
    case 'p':
    case 'P':
      onPropose();
      return true;
    case 'Escape':
      onPick(NOTHING);
      return true;
    case 'i':
    case 'I':
      panel.current?.querySelector<HTMLElement>('select, input')?.focus();
      return true;
    default:
      return false;
  }
}
