import { readRig, type RigListing } from '@gullwind/contract';
import {
  allCables,
  allDevices,
  jobDocumentOf,
  measureRig,
  RIG_FORMAT,
  SectionSolver,
  usesOfGear,
  type GearUse,
  type JobDocument,
  type Rig,
} from '@gullwind/core';
import type { Database, Queryable } from '../db/database';
import { letOthers } from '../letOthers';

/**
 * Which computation made a listing. It goes up with every change of what the list shows or of the figures in it;
 * listings of another are made anew at the start.
 */
const MADE_BY = 3;
const RIGS_AT_ONCE = 5;

const solver = new SectionSolver();

/** What the list shows of a rig, but for what its row says. */
export interface Listing extends Omit<
  RigListing,
  'id' | 'revision' | 'updatedAt' | 'deletedAt' | 'job'
> {
  readonly job: JobDocument;
}

/** A stored rig as the list shows it, with its way and figures computed. */
export function listingOf(document: Rig): { listing: Listing; uses: readonly GearUse[] } {
  try {
    if (document.format === RIG_FORMAT)
      return { listing: measure(document), uses: usesOfGear(document) };
  } catch {
    // What is wrong with it is said below.
  }
  const found = readRig(document);
  const why = found.kind === 'refused' ? found.problems[0]?.message : undefined;
  const unreadable = why ?? 'Its document is not whole.';
  return { listing: { ...NOTHING, name: nameOf(document), unreadable }, uses: [] };
}

const NOTHING: Listing = {
  name: '',
  player: '',
  note: '',
  unreadable: null,
  pedals: 0,
  cableM: 0,
  trebleDb: null,
  octavesDb: null,
  verdict: null,
  sections: [],
  points: [],
  job: {
    deadline: null,
    spoken: [0, 0],
    placed: [0, 0],
    fed: [0, 0],
    songs: 0,
    walked: [0, 0],
  },
};

/** What is drawn small needs no more. */
const to = (digits: number, value: number): number => Number(value.toFixed(digits));

/** All that the list shows of a rig that can be read. */
function measure(rig: Rig): Listing {
  const analysis = measureRig(rig, solver);
  const sounding = analysis.kind === 'sounding' ? analysis : null;
  return {
    name: rig.texts.name,
    player: rig.texts.player,
    note: rig.texts.note,
    unreadable: null,
    pedals: allDevices(rig).length,
    cableM: allCables(rig).reduce((sum, cable) => sum + cable.lengthM.value, 0),
    trebleDb: sounding?.figures.trebleDb ?? null,
    octavesDb: sounding && [sounding.figures.trebleLowDb, sounding.figures.trebleHighDb],
    verdict: sounding?.verdict ?? null,
    sections: analysis.sections.map(({ driver, cableM, exposed }) => ({ driver, cableM, exposed })),
    points: analysis.points.map(({ atM, treble }) => [to(3, atM), to(2, treble.trebleDb)]),
    job: jobDocumentOf(rig),
  };
}

/** What a document that cannot be read may still be called. */
function nameOf(document: unknown): string {
  const { texts, name } = document as { texts?: { name?: unknown }; name?: unknown };
  const found = texts?.name ?? name;
  return typeof found === 'string' && found !== '' ? found : 'unreadable rig';
}

/** Letters without their marks, in lower case: what is searched and sorted by, the same on every engine. */
export const keyOf = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{Mark}/gu, '')
    .toLowerCase();

/** Keeps what the list shows beside a document, in the transaction that keeps the document. */
export async function keepListing(tx: Queryable, id: string, document: Rig): Promise<void> {
  const { listing, uses } = listingOf(document);
  const { name, player, note, trebleDb, job } = listing;
  await tx.query(
    `insert into rig_listings (rig_id, name_key, player_key, words, treble_db, listing, uses, made_by, deadline)
     values ($1, $2, $3, $4, $5, $6::jsonb, $7::jsonb, $8, $9)
     on conflict (rig_id) do update set
       name_key = excluded.name_key, player_key = excluded.player_key, words = excluded.words,
       treble_db = excluded.treble_db, listing = excluded.listing, uses = excluded.uses,
       made_by = excluded.made_by, deadline = excluded.deadline`,
    [
      id,
      keyOf(name),
      keyOf(player),
      keyOf([name, player, note].join('\n')),
      trebleDb,
      JSON.stringify(listing),
      JSON.stringify(uses),
      MADE_BY,
      job.deadline,
    ],
  );
}

/** Makes the listings that are missing or of an earlier computation, a few at a time. */
export async function fillListings(db: Database): Promise<void> {
  for (;;) {
    const filled = await db.transaction(async (tx) => {
      const rigs = await tx.query<{ id: string; document: Rig }>(
        `select id, document from rigs
         where not exists (select from rig_listings where rig_id = id and made_by = $1)
         limit ${RIGS_AT_ONCE} for update`,
        [MADE_BY],
      );
      for (const { id, document } of rigs) await keepListing(tx, id, document);
      return rigs.length;
    });
    if (filled < RIGS_AT_ONCE) return;
    await letOthers();
  }
}
