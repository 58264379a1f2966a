import type { Database } from '../db/database';
import { putGear } from '../gear/gearStore';
import { createRig } from '../rigs/rigStore';
import { DEMO_GEAR } from './demoGear';
import { DEMO_RIGS } from './demoRigs';

/** Adds the demo gear and rigs that are not there yet; what a user has changed stays as it is. */
export async function seedDemo(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    for (const [place, item] of DEMO_GEAR.entries()) await putGear(tx, item, place);
  });
  for (const { id, rig } of DEMO_RIGS) await createRig(db, id, rig);
}
