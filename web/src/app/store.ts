import {
  combineReducers,
  configureStore,
  createListenerMiddleware,
  type Reducer,
} from '@reduxjs/toolkit';
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

const brought: FeatureState[] = [];
let took: ((feature: FeatureState) => void) | null = null;

/** A feature that keeps something in the store brings it along when it is loaded, not before. */
export function bring(feature: FeatureState): void {
  brought.push(feature);
  took?.(feature);
}

/** The store of the page, made of what its features bring. */
export function createStore() {
  const listener = createListenerMiddleware();
  const reducerOf = () =>
    combineReducers({
      ...Object.fromEntries(brought.map(({ reducerPath, reducer }) => [reducerPath, reducer])),
      [api.reducerPath]: api.reducer,
    });
  const store = configureStore({
    reducer: reducerOf(),
    middleware: (defaults) =>
      // Rigs are frozen values of the core; walking them on every action costs more than the actions.
      defaults({ serializableCheck: false, immutableCheck: false })
        .prepend(listener.middleware)
        .concat(api.middleware),
  });
  for (const { listen } of brought) listen?.(listener);
  took = ({ listen }) => {
    store.replaceReducer(reducerOf());
    listen?.(listener);
  };
  setupListeners(store.dispatch);
  return store;
}

export type AppStore = ReturnType<typeof createStore>;
