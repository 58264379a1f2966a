import { addBoard, applyFollowing, firstArrangement } from '../../src/board';
import { deviceOfClass, entered, supplyOfClass, typicalBoard } from '../../src/gear';
import { addSupply, hang } from '../../src/power';
import { applyEdits, insertDevice, newRig, type Edit, type Rig } from '../../src/rig';

const follow = (rig: Rig, edit: Edit): Rig => {
  const result = applyFollowing(rig, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  return result.rig;
};

/** So many pedals on a board, fed. */
export function laidOut(pedals: number): Rig {
  let rig = newRig('built');
  for (let i = 0; i < pedals; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `Pedal ${i + 1}`)));
  rig = follow(
    rig,
    addBoard(rig, { ...typicalBoard('Wide'), widthM: entered(1.1), depthM: entered(0.4) }),
  );
  rig = follow(rig, addSupply(rig, supplyOfClass('brick')));
  for (let i = 0; i < Math.min(6, pedals); i++)
    rig = follow(rig, hang(rig, `d${i + 1}`, { supply: 'u1', outlet: i })!);
  const { edit } = firstArrangement(rig);
  return edit ? follow(rig, edit) : rig;
}
