import { readRig, type RigBuild } from '@gullwind/contract';
import {
  partsMissing,
  partsNeeded,
  progressOf,
  workPlan,
  type GearItem,
  type Rig,
} from '@gullwind/core';
import type { Database } from '../db/database';
import { listGear } from '../gear/gearStore';
import { findRecords } from './buildStore';

/// Rigs that have a deadline, or on which work has begun: what is due, the soonest first.

/** So many at most: what is due later is not due. */
const MOST = 40;

interface DueRow {
  readonly id: string;
  readonly document: unknown;
}

export async function listBuilds(db: Database): Promise<readonly RigBuild[]> {
  const gear = (await listGear(db)).map(({ item }) => item);
  const rows = await db.query<DueRow>(
    `select id, document from rigs
     where deleted_at is null
       and (document -> 'texts' -> 'brief' ->> 'deadline' is not null
            or exists (select from work_done where rig_id = rigs.id))
     order by document -> 'texts' -> 'brief' ->> 'deadline' nulls last, updated_at desc, id
     limit ${MOST}`,
  );
  const builds: RigBuild[] = [];
  for (const { id, document } of rows) {
    const read = readRig(document);
    if (read.kind === 'ok') builds.push(await buildOf(db, id, read.value, gear));
    // Others are heard between two rigs.
    await new Promise((resolve) => setImmediate(resolve));
  }
  return builds;
}

async function buildOf(
  db: Database,
  id: string,
  rig: Rig,
  gear: readonly GearItem[],
): Promise<RigBuild> {
  const missing = partsMissing(partsNeeded(rig, gear));
  const { steps, next, leftMinutes } = progressOf(
    workPlan(rig, gear),
    await findRecords(db, id),
    missing,
  );
  return {
    id,
    name: rig.texts.name,
    player: rig.texts.player,
    deadline: rig.texts.brief.deadline,
    steps: steps.length,
    done: steps.filter(({ isDone }) => isDone).length,
    leftMinutes: Math.round(leftMinutes),
    next: next?.step.says ?? null,
    waitsFor: new Set(steps.flatMap(({ waitsFor }) => waitsFor)).size,
  };
}
