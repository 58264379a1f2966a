import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { editorSlice, startAutosave } from '../features/editor';
import { api } from './api';

export function createStore() {
  const listener = createListenerMiddleware();
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer, [editorSlice.reducerPath]: editorSlice.reducer },
    middleware: (defaults) =>
      // Rigs are frozen values of the core; walking them on every action costs more than the actions.
      defaults({ serializableCheck: false, immutableCheck: false })
        .prepend(listener.middleware)
        .concat(api.middleware),
  });
  startAutosave(listener);
  setupListeners(store.dispatch);
  return store;
}

export type Store = ReturnType<typeof createStore>;
export type RootState = ReturnType<Store['getState']>;
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<Store>();
