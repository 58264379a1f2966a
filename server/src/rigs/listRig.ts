import type { RigListing, StoredRig } from '@gullwind/contract';
import { allDevices, allLeads, measureRig, SectionSolver } from '@gullwind/core';

const solver = new SectionSolver();

/** A stored rig as the list shows it, with its way and figures computed. */
export function listRig({ id, revision, updatedAt, rig }: StoredRig): RigListing {
  const analysis = measureRig(rig, solver);
  const sounding = analysis.kind === 'sounding' ? analysis : null;
  return {
    id,
    revision,
    updatedAt,
    name: rig.name,
    player: rig.player,
    note: rig.note,
    pedals: allDevices(rig).length,
    leadM: allLeads(rig).reduce((sum, lead) => sum + lead.lengthM.value, 0),
    figures: sounding?.figures ?? null,
    verdict: sounding?.verdict ?? null,
    sections: analysis.sections,
    points: analysis.points,
  };
}
