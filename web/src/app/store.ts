import { configureStore, createListenerMiddleware, type Reducer } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { api } from './api';

type Listener = ReturnType<typeof createListenerMiddleware>;

/** What a feature brings to the store: its reducer, and what listens for its actions. */
export interface FeatureState {
  readonly reducerPath: string;
  // The store does not know what the states of features are; each feature reads its own.
  readonly reducer: Reducer;
  readonly listen?: (listener: Listener) => void;
}

/** The store of the page, made of what its features bring. */
export function createStore(features: readonly FeatureState[]) {
  const listener = createListenerMiddleware();
  const reducers = Object.fromEntries(
    features.map(({ reducerPath, reducer }) => [reducerPath, reducer]),
  );
  const store = configureStore({
    reducer: { ...reducers, [api.reducerPath]: api.reducer },
    middleware: (defaults) =>
      // Rigs are frozen values of the core; walking them on every action costs more than the actions.
      defaults({ serializableCheck: false, immutableCheck: false })
        .prepend(listener.middleware)
        .concat(api.middleware),
  });
  for (const { listen } of features) listen?.(listener);
  setupListeners(store.dispatch);
  return store;
}
