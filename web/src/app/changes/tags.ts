/// Which answers of the server say something of a subject.

export const TAGS = [
  'rigs',
  'revisions',
  'gear',
  'build',
  'builds',
  'offCuts',
  'photo',
  'measurements',
  'hearings',
  'hunts',
  'settings',
  'session',
] as const;

export type Tag = (typeof TAGS)[number];

/** By the first word of a subject. */
const OF_SUBJECT: Readonly<Record<string, readonly Tag[]>> = {
  rig: ['rigs', 'builds'],
  revisions: ['revisions', 'rigs'],
  gear: ['gear'],
  settings: ['settings'],
  build: ['build', 'builds', 'rigs'],
  photo: ['photo'],
  offCuts: ['offCuts'],
  measurements: ['measurements', 'rigs'],
  hearings: ['hearings', 'rigs'],
  hunt: ['hunts', 'build', 'builds', 'rigs'],
};

/** Writes that say more than their subject. */
const OF_WRITE: Readonly<Record<string, readonly Tag[]>> = {
  nameRevision: ['revisions'],
  addMeasurement: ['measurements', 'rigs'],
  strikeMeasurement: ['measurements'],
  setDone: ['offCuts'],
};

/** @param write the write that was answered, where it was one of this window's */
export const tagsOf = (subject: string, write?: string): readonly Tag[] => [
  ...(OF_SUBJECT[subject.split(':')[0]!] ?? []),
  ...((write !== undefined && OF_WRITE[write]) || []),
];
