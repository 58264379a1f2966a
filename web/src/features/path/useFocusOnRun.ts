import { useEffect, useRef } from 'react';

/**
 * Where what had the focus is gone (a dialog that a key opened, a button of what was deleted), it goes to the Run, so
 * that the keys of the way go on from there.
 *
 * @param changes what may take the focus's place away
 */
export function useFocusOnRun(...changes: readonly unknown[]): void {
  const isFirst = useRef(true);
  useEffect(() => {
    if (isFirst.current) {
      isFirst.current = false;
      return undefined;
    }
    // A dialog gives the focus back by itself where it can.
    const timer = setTimeout(() => {
      if (document.activeElement === document.body && !document.querySelector('[role="dialog"]'))
        document.querySelector<HTMLElement>('main [role="listbox"][tabindex="0"]')?.focus();
    });
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the changes are what it depends on
  }, changes);
}
