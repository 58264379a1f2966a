import type { RigListing, StoredRig } from '@gullwind/contract';
import { allDevices, allCables, measureRig, SectionSolver } from '@gullwind/core';

const solver = new SectionSolver();

/** A stored rig as the list shows it, with its way and figures computed. */
export function listRig({ id, revision, updatedAt, rig }: StoredRig): RigListing {
  const analysis = measureRig(rig, solver);
  const sounding = analysis.kind === 'sounding' ? analysis : null;
  return {
    id,
    revision,
    updatedAt,
    name: rig.texts.name,
    player: rig.texts.player,
    note: rig.texts.note,
    pedals: allDevices(rig).length,
    cableM: allCables(rig).reduce((sum, cable) => sum + cable.lengthM.value, 0),
    figures: sounding?.figures ?? null,
    verdict: sounding?.verdict ?? null,
    sections: analysis.sections,
    points: analysis.points,
  };
}
