/// How much of what comes at once, and how long it is kept: figures alone, so that the page knows them without the
/// schemas that hold them.

export const RIG_SORTS = ['changed', 'deadline', 'name', 'player', 'treble'] as const;
export type RigSort = (typeof RIG_SORTS)[number];

/** As many rigs as come at once. */
export const MOST_LISTED = 40;

/** So long a rig that was taken off the list can be put back. */
export const DAYS_REMOVED = 30;

/** As many revisions as come at once, the latest first. */
export const MOST_REVISIONS = 100;

/** As many uses of gear as come at once. */
export const MOST_USES = 1000;

/** As many measurements as come at once, the latest first. */
export const MOST_MEASUREMENTS = 40;

/** As many entries as can be added in one go. */
export const MOST_ITEMS = 10_000;

/** Characters of the name of a revision. */
export const LONGEST_REVISION_NAME = 80;

/** What is sent may be larger than what is kept. */
export const MOST_SENT_BYTES = 24 * 2 ** 20;

export const PICTURE_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;

export const MOST_EXERCISE = 999;
