import { measureWay, type Figures } from '../figures';
import { wantsPickup } from '../gear';
import { driveWay, SectionSolver, type DrivenPath } from '../path';
import { FINE, usedStates } from '../plans';
import { formatSignedDb } from '../quantity';
import { findDevice, isEngaged, type Chain, type Rig } from '../rig';
import type { Judgement } from './judgement';

/// Whether a rig can be left alone: treble and level, in every state that the player uses.

/** What is hard to tell, or less. */
const FINE_SIZES: ReadonlySet<string> = new Set(['unlikely', 'hard']);
/** A level that is off by less than this is fine, dB. */
const FINE_LEVEL_DB = 1;

/** Figures of one used state, and whether they are fine. */
export interface StateFitness {
  readonly name: string;
  readonly figures: Figures;
  readonly isFine: boolean;
}

/** Every used state in which something is heard. */
export function fitnessOf(
  rig: Rig,
  rowId: string,
  solver: SectionSolver = new SectionSolver(),
): readonly StateFitness[] {
  return usedStates(rig).flatMap(({ name, state }): readonly StateFitness[] => {
    const there = { ...rig, state };
    const way = driveWay(there, rowId);
    const measured = measureWay(way, solver);
    if (measured.kind !== 'sounding') return [];
    const { figures, verdict } = measured;
    const levelDb = figures.levelDb - askedGainDb(there, way.path);
    const isFine = FINE_SIZES.has(verdict.size) && Math.abs(levelDb) < FINE_LEVEL_DB;
    return [{ name, figures, isFine: isFine || isMeantToChange(there, way.path) }];
  });
}

/** That nothing needs doing is a judgement too: where every used state is fine, with the worst of their figures. */
export function judgeFine(rig: Rig, rowId: string, solver: SectionSolver): readonly Judgement[] {
  const states = fitnessOf(rig, rowId, solver);
  if (states.length === 0 || !states.every(({ isFine }) => isFine)) return [];
  const worst = (value: (figures: Figures) => number) =>
    states.reduce((a, b) => (Math.abs(value(b.figures)) > Math.abs(value(a.figures)) ? b : a));
  const [treble, level] = [worst(({ trebleDb }) => trebleDb), worst(({ levelDb }) => levelDb)];
  return [
    {
      key: 'fine:',
      kind: 'fine',
      weight: 'fine',
      spot: null,
      title: FINE,
      reason:
        'In every state that is played, what is left of a difference is hard to tell even side by side, and nothing is warned of.',
      numbers: [
        [`treble, ${treble.name}`, `${formatSignedDb(treble.figures.trebleDb, 2)} dB`],
        [`level, ${level.name}`, `${formatSignedDb(level.figures.levelDb, 2)} dB`],
      ],
      when: states.length > 1 ? `over ${states.length} states` : `in ${states[0]!.name}`,
      approaches: 'every',
    },
  ];
}

/** A gain that somebody asked for: of an effect that is on, known and above nought. */
function askedGainDb(rig: Chain, { stops }: DrivenPath): number {
  return stops.reduce((sum, { spot, role, engaged }) => {
    const device = role === 'driver' && engaged ? findDevice(rig, spot.id) : undefined;
    if (!device || spot.part === 'front') return sum;
    const { value, from } = device.on.gainDb;
    return from === 'assumed' ? sum : sum + Math.max(0, value);
  }, 0);
}

/** With a low-impedance fuzz on, which is there to change the sound. */
const isMeantToChange = (rig: Chain, { stops }: DrivenPath): boolean =>
  stops.some(({ spot, role }) => {
    const device = role === 'driver' ? findDevice(rig, spot.id) : undefined;
    return device !== undefined && wantsPickup(device) && isEngaged(rig, device);
  });
