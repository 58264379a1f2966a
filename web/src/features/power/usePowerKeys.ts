import type { Edit } from '@gullwind/core';
import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { powerAct, type PowerAct, type PowerNow } from './model/powerKeys';
import type { Picked } from './model/sayPower';

interface Keys extends PowerNow {
  readonly onPick: (picked: Picked) => void;
  readonly onEdit: (edit: Edit) => void;
  readonly onPropose: () => void;
  readonly panel: RefObject<HTMLElement | null>;
  readonly isOff: boolean;
}

const ELSEWHERE =
  '[role="menu"], [role="dialog"], input, select, textarea, [role="combobox"], [contenteditable]';

/** The keys of the power; its entry among the stages lists them. */
export function usePowerKeys(keys: Keys): void {
  useHotkeys(
    '*',
    (event) => {
      if (event.metaKey || event.ctrlKey || event.altKey) return;
      const act = powerAct(keys, event);
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

function perform({ onEdit, onPick, onPropose, panel }: Keys, act: PowerAct): void {
  switch (act.does) {
    case 'edit':
      return onEdit(act.edit);
    case 'pick':
      return onPick(act.picked);
    case 'propose':
      return onPropose();
    case 'goToPanel':
      return panel.current?.querySelector<HTMLElement>('select, input')?.focus();
  }
}
