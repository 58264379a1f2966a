import type { UpdatedRig, UpdateRig, UpdateState, StoredRig } from '@gullwind/contract';
import { clientsClaim } from 'workbox-core';
import type { WorkboxPlugin } from 'workbox-core/types';
import { ExpirationPlugin } from 'workbox-expiration';
import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { KEPT_HEADER, MAY_BE_KEPT_HEADER } from './app/keptAnswers';

/// What the page is without its server: the application as it was last loaded, and the answers that it may show again.

/** Every file of the page; filled in when it is built. */
declare const PAGE_FILES: PrecacheEntry[];

const ANSWERS = 'gullwind-answers';
const MOST_ANSWERS = 200;

precacheAndRoute(PAGE_FILES);
// The first time there is nothing of an older application that this could be mixed with.
clientsClaim();

/** The page itself is asked for every time; without a server it is the one that was loaded last. */
const kept = createHandlerBoundToURL('/index.html');
registerRoute(
  ({ request }) => request.mode === 'navigate',
  async (options) => {
    try {
      return await fetch(options.request);
    } catch {
      return kept(options);
    }
  },
);

/** An answer that was kept says so. */
async function marked(response: Response): Promise<Response> {
  const headers = new Headers(response.headers);
  headers.set(KEPT_HEADER, 'yes');
  return new Response(await response.blob(), { status: response.status, headers });
}

registerRoute(
  ({ request, url }) => url.pathname.startsWith('/api/') && request.headers.has(MAY_BE_KEPT_HEADER),
  new NetworkFirst({
    cacheName: ANSWERS,
    plugins: [
      new ExpirationPlugin({ maxEntries: MOST_ANSWERS }) as WorkboxPlugin,
      {
        cachedResponseWillBeUsed: async ({ cachedResponse }) =>
          cachedResponse ? marked(cachedResponse) : null,
      },
    ],
  }),
);

/** What was saved is what is shown next time: the answer to a save and what was sent make up the rig as it stands. */
async function keepSaved(path: string, sent: UpdateRig | UpdateState, answer: UpdatedRig) {
  const answers = await caches.open(ANSWERS);
  const address = path.replace(/\/state$/u, '');
  const before = await answers.match(address);
  const rig = 'rig' in sent ? sent.rig : ((await before?.json()) as StoredRig | undefined)?.rig;
  if (!rig) return;
  const { state, ...saved } = answer;
  const stored: StoredRig = { ...saved, rig: { ...rig, state } };
  await answers.put(address, Response.json(stored));
}

registerRoute(
  ({ url }) => /^\/api\/rigs\/[^/]+(\/state)?$/u.test(url.pathname),
  async ({ request, url, event }) => {
    const sent = request.clone();
    const response = await fetch(request);
    if (response.ok) {
      const answer = response.clone();
      const keeping = async () => keepSaved(url.pathname, await sent.json(), await answer.json());
      (event as ExtendableEvent).waitUntil(keeping().catch(() => undefined));
    }
    return response;
  },
  'PUT',
);

/** Whoever signs out leaves nothing behind. */
registerRoute(
  ({ url }) => url.pathname === '/api/session',
  async ({ request }) => {
    await caches.delete(ANSWERS);
    return fetch(request);
  },
  'DELETE',
);
