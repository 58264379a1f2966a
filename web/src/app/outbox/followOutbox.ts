import type { BuildRecords, Hunt } from '@gullwind/core';
import type { StoredItem } from '@gullwind/contract';
import { api } from '../api';
import { tagsOf } from '../changes/tags';
import type { AppStore } from '../store';
import { isShown, outbox, withPending, type Operation, type OutboxEvent } from '.';

/// What the page shows follows the outbox: what was written is there at once, and is asked for again when it was answered.

interface CachedQuery {
  readonly endpointName?: string;
  readonly originalArgs?: unknown;
  readonly data?: unknown;
}

/** Keeps what is shown in step with what waits. */
export function followOutbox(store: AppStore): void {
  outbox.listen((event) => tell(store, event));
  void outbox.ready.then(() => outbox.kept.forEach((operation) => show(store, operation)));
}

function tell(store: AppStore, event: OutboxEvent): void {
  const { dispatch } = store;
  switch (event.kind) {
    case 'kept':
    case 'takenUp':
      return show(store, event.operation);
    case 'done':
      return answered(store, event.operation, event.data);
    case 'refused':
    case 'dropped':
      return void dispatch(api.util.invalidateTags([...tagsOf(event.operation.subject)]));
    case 'parked':
    case 'resolved':
    case 'sending':
      return;
    case 'away':
      if (event.signInNeeded) dispatch(api.util.invalidateTags(['session']));
  }
}

/** Every answer that is shown, as it will be with one more write. */
function show({ dispatch, getState }: AppStore, operation: Operation): void {
  const queries = Object.values(getState()[api.reducerPath].queries) as CachedQuery[];
  for (const { endpointName, originalArgs, data } of queries) {
    if (endpointName === undefined || !isShown(endpointName) || data === undefined) continue;
    put(dispatch, endpointName, originalArgs, (now) =>
      withPending(endpointName, now, originalArgs, [operation]),
    );
  }
}

type Dispatch = AppStore['dispatch'];

/** The cache does not know which of its answers is meant: each caller does. */
const put = (dispatch: Dispatch, name: string, args: unknown, change: (now: unknown) => unknown) =>
  dispatch(api.util.updateQueryData(name as never, args as never, change as never));

/** What the answer says is shown at once; where it says little, it is asked for. */
function answered({ dispatch }: AppStore, { name, args, subject }: Operation, data: unknown): void {
  if (name === 'putItem')
    return void put(dispatch, 'listGear', undefined, withStored(data as StoredItem));
  if (name === 'setDone') {
    const { id } = args as { readonly id: string };
    put(dispatch, 'getBuild', id, () =>
      withPending('getBuild', data as BuildRecords, id, outbox.kept),
    );
  }
  if (subject.startsWith('hunt:')) {
    const { id } = data as Hunt;
    put(dispatch, 'getHunt', id, () => withPending('getHunt', data as Hunt, id, outbox.kept));
  }
  dispatch(api.util.invalidateTags([...tagsOf(subject, name)]));
}

const withStored = (stored: StoredItem) => (now: unknown) => {
  const { items } = now as { readonly items: readonly StoredItem[] };
  return { items: items.map((one) => (one.item.id === stored.item.id ? stored : one)) };
};
