import { readRig, type RigListing, type StoredRig } from '@gullwind/contract';
import {
  allCables,
  allDevices,
  measureRig,
  RIG_FORMAT,
  SectionSolver,
  type Rig,
} from '@gullwind/core';

const solver = new SectionSolver();

/** Reads something off a kept rig, or says why this version cannot: a document may be of a later one, or broken. */
export function readOff<T>(
  document: Rig,
  read: (rig: Rig) => T,
): { readonly value: T } | { readonly unreadable: string } {
  try {
    if (document.format === RIG_FORMAT) return { value: read(document) };
  } catch {
    // What is wrong with it is said below.
  }
  const found = readRig(document);
  const why = found.kind === 'refused' ? found.problems[0]?.message : undefined;
  return { unreadable: why ?? 'Its document is not whole.' };
}

/** A stored rig as the list shows it, with its way and figures computed. */
export function listRig({ id, revision, updatedAt, rig }: StoredRig): RigListing {
  const listed = readOff(rig, measure);
  const kept = { id, revision, updatedAt };
  return 'value' in listed
    ? { ...kept, ...listed.value }
    : { ...kept, ...NOTHING, name: nameOf(rig), unreadable: listed.unreadable };
}

type Listed = Omit<RigListing, 'id' | 'revision' | 'updatedAt'>;

const NOTHING: Listed = {
  name: '',
  player: '',
  note: '',
  unreadable: null,
  pedals: 0,
  cableM: 0,
  figures: null,
  verdict: null,
  sections: [],
  points: [],
};

/** All that the list shows of a rig that can be read. */
function measure(rig: Rig): Listed {
  const analysis = measureRig(rig, solver);
  const sounding = analysis.kind === 'sounding' ? analysis : null;
  return {
    name: rig.texts.name,
    player: rig.texts.player,
    note: rig.texts.note,
    unreadable: null,
    pedals: allDevices(rig).length,
    cableM: allCables(rig).reduce((sum, cable) => sum + cable.lengthM.value, 0),
    figures: sounding?.figures ?? null,
    verdict: sounding?.verdict ?? null,
    sections: analysis.sections,
    points: analysis.points,
  };
}

/** What a document that cannot be read may still be called. */
function nameOf(document: unknown): string {
  const { texts, name } = document as { texts?: { name?: unknown }; name?: unknown };
  const found = texts?.name ?? name;
  return typeof found === 'string' && found !== '' ? found : 'unreadable rig';
}
