import type { Database } from '../db/database';
import { addGear } from '../gear/gearStore';
import { createRig } from '../rigs/rigStore';
import { DEMO_GEAR } from './demoGear';
import { DEMO_RIGS } from './demoRigs';

/** Adds the demo gear and rigs that were never there; what a user has changed or removed stays so. */
export async function seedDemo(db: Database): Promise<void> {
  const rows = await db.query<{ id: string }>('select id from removed');
  const removed = new Set(rows.map(({ id }) => id));
  await addGear(
    db,
    DEMO_GEAR.filter(({ id }) => !removed.has(id)),
  );
  // The first of them is the last that was changed, and so at the head of the list.
  for (const { id, rig } of DEMO_RIGS.toReversed())
    if (!removed.has(id)) await createRig(db, id, rig);
}
