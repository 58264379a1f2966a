import type { SoundingAnalysis, StatesAnalysis } from '../figures';
import type { UnitSystem } from '../quantity';
import { SectionSolver } from '../path';
import type { Rig } from '../rig';
import { judgeFuzzes } from './aboutFuzz';
import { judgeBuffers, judgeHardwiredBypasses, judgeMany, judgePots } from './aboutParts';
import {
  judgeDestinations,
  judgeLateBuffer,
  judgeResonance,
  judgeSpread,
  judgeTurnUp,
  judgeWeakEnd,
} from './aboutWhole';
import { openCase } from './case';
import { judgeFine } from './fine';
import type { Judgement } from './judgement';

const WEIGHTS = { warning: 0, note: 1, fine: 2 } as const;

/**
 * What is to be said of a rig on one way under its own approach, warnings first. Each judgement rests on a
 * computed effect; those the user has dismissed are among them, by their keys in `rig.texts.dismissed`.
 */
export function judgeRig(
  rig: Rig,
  rowId: string,
  analysis: SoundingAnalysis,
  states: StatesAnalysis,
  units: UnitSystem,
  solver: SectionSolver = new SectionSolver(),
): readonly Judgement[] {
  const at = openCase(rig, rowId, analysis, states);
  const warnings = [
    ...judgeFuzzes(at),
    ...judgeHardwiredBypasses(at),
    ...judgePots(at),
    ...judgeBuffers(at),
    ...judgeMany(at),
    ...judgeLateBuffer(at, rig, units, solver),
    ...judgeWeakEnd(at),
    ...judgeSpread(at),
    ...judgeResonance(at),
    ...judgeTurnUp(at),
    ...judgeDestinations(at, units),
  ];
  return [...warnings, ...judgeFine(rig, rowId, solver)].sort(
    (a, b) => WEIGHTS[a.weight] - WEIGHTS[b.weight],
  );
}
