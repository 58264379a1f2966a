import type { Database } from '../db/database';
import { addGear } from '../gear/gearStore';
import { createRig } from '../rigs/rigStore';
import { DEMO_GEAR } from './demoGear';
import { DEMO_RIGS } from './demoRigs';

/** Adds the demo gear and rigs that are not there yet; what a user has changed stays as it is. */
export async function seedDemo(db: Database): Promise<void> {
  await addGear(db, DEMO_GEAR);
  for (const { id, rig } of DEMO_RIGS) await createRig(db, id, rig);
}
