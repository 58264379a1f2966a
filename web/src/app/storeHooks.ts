import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { useDispatch, useStore } from 'react-redux';
import type { api } from './api';

type ApiState = ReturnType<typeof api.reducer>;

/** What every part of the page knows of the store: what was asked of the server. */
export interface AppState {
  readonly api: ApiState;
}

export type AppDispatch = ThunkDispatch<AppState, unknown, UnknownAction>;

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();

interface AppStore {
  readonly dispatch: AppDispatch;
  readonly getState: () => AppState;
}

export const useAppStore = (): AppStore => useStore() as unknown as AppStore;
