import { SYMPTOM_WORDS, type Symptom } from '../symptom';
import type { TraceWay } from '../way';
import { alongTheWay } from './alongTheWay';
import { atTheEnds } from './atTheEnds';
import { byHand, withFoot } from './byHandAndFoot';
import { ofPower } from './ofPower';
import { ofRoom } from './ofRoom';
import type { TraceTest, Trying } from './test';

export { TEST_KINDS } from './test';
export type { TestKind, TraceTest } from './test';

/** Every test that can be made of a rig with this symptom: how long it takes, and what each answer would say. */
export function testsFor(way: TraceWay, symptom: Symptom): readonly TraceTest[] {
  const trying: Trying = {
    way,
    symptom,
    isNoise: SYMPTOM_WORDS[symptom].isNoise,
    guitar: way.front[0]!.id,
    inLoop: way.ampLoop.map(({ id }) => id),
  };
  return [
    ...atTheEnds(trying),
    ...alongTheWay(trying),
    ...withFoot(trying),
    ...byHand(trying),
    ...ofPower(trying),
    ...ofRoom(trying),
  ];
}
