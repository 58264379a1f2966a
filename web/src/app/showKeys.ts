import { createContext, useContext } from 'react';

/// What features have to do with keys that are not their own.

const NO_KEYS = '[role="menu"], [role="dialog"], [role="combobox"]';

/** A key pressed where it belongs to a menu, a dialog or a list acts there alone. */
export const ignoreKeyIn = ({ target }: KeyboardEvent): boolean =>
  target instanceof Element && target.closest(NO_KEYS) !== null;

/** Opens the list of keys. */
export const ShowKeys = createContext<() => void>(() => undefined);
export const useShowKeys = (): (() => void) => useContext(ShowKeys);
