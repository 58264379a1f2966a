/// How page and service worker speak of answers that were kept for when there is no server.

/** The page shows an old answer rather than none. */
export const MAY_BE_KEPT_HEADER = 'X-May-Be-Kept';
/** The answer is one that was kept. */
export const KEPT_HEADER = 'X-Kept';
