import { MAY_BE_KEPT_HEADER } from './keptAnswers';

/// The page keeps itself for when its server is away: by a service worker, which only a secure address has.

/** When what the page itself needs has long been there. */
const BEGIN_AFTER_MS = 5000;

export function keepForOffline(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  const isFirst = serviceWorker.controller === null;
  if (isFirst) serviceWorker.addEventListener('controllerchange', askAgain, { once: true });
  setTimeout(() => {
    // Where the browser keeps nothing, the page goes on without.
    serviceWorker.register('/serviceWorker.js').catch(() => undefined);
  }, BEGIN_AFTER_MS);
}

/** The rigs, from where one goes to any of them. */
const FIRST_PAGE = '/api/rigs?search=&sort=changed&from=0&removed=false';

/** What was asked before there was somebody to keep it is asked once more. */
function askAgain(): void {
  const asked = performance.getEntriesByType('resource').map(({ name }) => new URL(name));
  const paths = asked
    .filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith('/api/'))
    // A backup is a file, not something to show again.
    .filter(({ pathname }) => pathname !== '/api/workspace')
    .map(({ pathname, search }) => pathname.replace(/\/state$/u, '') + search);
  for (const path of new Set([FIRST_PAGE, ...paths]))
    void fetch(path, { headers: { [MAY_BE_KEPT_HEADER]: 'yes' } }).catch(() => undefined);
}
