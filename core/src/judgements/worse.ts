import { analyseRig, analyseStates, measureWay, switchesOn, type Figures } from '../figures';
import { driveWay, SectionSolver } from '../path';
import { usedStates } from '../plans';
import { formatSignedDb, type UnitSystem } from '../quantity';
import { mainRow, type Rig } from '../rig';
import { judgeRig } from './judge';

/** A treble that falls by less than this is not worth a word, dB. */
const FALLS_DB = 0.5;
const MOST_STATES = 4;

/**
 * What a change makes worse in the states that the player uses: treble that falls, most first, and warnings
 * that were not there before.
 */
export function worseInUse(
  before: Rig,
  after: Rig,
  units: UnitSystem,
  solver: SectionSolver = new SectionSolver(),
): readonly string[] {
  const then = new Map(figuresInUse(after, solver).map(({ name, figures }) => [name, figures]));
  const falls = figuresInUse(before, solver)
    .flatMap(({ name, figures }) => {
      const to = then.get(name)?.trebleDb;
      if (to === undefined || Math.abs(to) <= Math.abs(figures.trebleDb)) return [];
      return figures.trebleDb - to < FALLS_DB ? [] : [{ name, from: figures.trebleDb, to }];
    })
    .sort((a, b) => b.from - b.to - (a.from - a.to));
  const said = falls
    .slice(0, MOST_STATES)
    .map(
      ({ name, from, to }) =>
        `Treble, ${name}: ${formatSignedDb(to)} dB instead of ${formatSignedDb(from)} dB`,
    );
  const more = falls.length - said.length;
  const known = new Set(warningsOf(before, units, solver).map(({ key }) => key));
  const fresh = warningsOf(after, units, solver).filter(({ key }) => !known.has(key));
  return [
    ...said,
    ...(more > 0 ? [`Treble falls in ${more} more of the states in use`] : []),
    ...fresh.map(({ title }) => `Warned of from then on: ${title}`),
  ];
}

function figuresInUse(
  rig: Rig,
  solver: SectionSolver,
): readonly { readonly name: string; readonly figures: Figures }[] {
  return usedStates(rig).flatMap(({ name, state }) => {
    const measured = measureWay(driveWay({ ...rig, state }), solver);
    return measured.kind === 'sounding' ? [{ name, figures: measured.figures }] : [];
  });
}

function warningsOf(rig: Rig, units: UnitSystem, solver: SectionSolver) {
  const rowId = mainRow(rig).id;
  const analysis = analyseRig(rig, solver, rowId);
  if (analysis.kind !== 'sounding') return [];
  const states = analyseStates(rig, switchesOn(rig, rowId), rowId);
  return judgeRig(rig, rowId, analysis, states, units, solver).filter(
    ({ weight }) => weight === 'warning',
  );
}
