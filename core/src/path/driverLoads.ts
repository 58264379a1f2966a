import {
  addElement,
  chooseCableForm,
  compileSection,
  createLadderState,
  endLadder,
  gridOf,
  LadderBuilder,
  resetLadder,
  runLadder,
  type Ladder,
  type Section,
  over,
  plus,
  sizeOfComplex,
  type Complex,
} from '../circuit';
import type { DrivenPath } from './drivenPath';

/** What one driver has to drive. */
export interface DriverLoad {
  readonly driver: number;
  /** |Z| of everything after it up to and including the next input, at 5 kHz, Ω. */
  readonly impedanceOhm: number;
  /** Level at 400 Hz lost to its own output impedance, dB (negative). */
  readonly interstageDb: number;
}

const GRID = gridOf(Float64Array.of(400, 5000));

export function driverLoads(path: DrivenPath): readonly DriverLoad[] {
  return path.sections.map(({ driver, circuit }) => loadOf(driver, circuit));
}

function loadOf(driver: number, section: Section): DriverLoad {
  const after = pathLadder(section);
  const [loaded, open] = [
    transfer(after, section, 'admittance'),
    transfer(after, section, 'voltage'),
  ];
  const source = theveninImpedance({ source: section.source, path: [] }, GRID.frequencyHz[0]!);
  const ratio = (i: number) => over(open[i]!, loaded[i]!);
  const at400 = ratio(0);
  const total = plus(at400, source);
  return {
    driver,
    impedanceOhm: sizeOfComplex(ratio(1)),
    interstageDb: 20 * Math.log10(sizeOfComplex(at400) / sizeOfComplex(total)),
  };
}

function pathLadder(section: Section): Ladder {
  const builder = new LadderBuilder();
  const form = chooseCableForm(section);
  for (const element of section.path) addElement(builder, element, form);
  return builder.build();
}

/**
 * Zin = (A + B·Y)/(C + D·Y), Y the load's admittance. A row (1, 0) run through the ladder ends as
 * (A, B), a row (0, 1) as (C, D); ending it in Y yields A + B·Y or C + D·Y.
 */
function transfer(
  ladder: Ladder,
  section: Section,
  row: 'voltage' | 'admittance',
): readonly Complex[] {
  const state = createLadderState(GRID.omega.length);
  if (row === 'admittance') resetLadder(state, 0, 1);
  else resetLadder(state);
  runLadder(ladder, 0, ladder.ops.length, GRID, state);
  const out = new Float64Array(2 * GRID.omega.length);
  endLadder(1, section.load, GRID, out, state);
  return Array.from({ length: GRID.omega.length }, (_, i) =>
    over([1, 0], [out[2 * i]!, out[2 * i + 1]!]),
  );
}

/** |Z| that whatever is plugged in after a path sees, Ω. @param frequencyHz > 0 */
export const sourceImpedanceOhm = (
  section: Pick<Section, 'source' | 'path'>,
  frequencyHz: number,
): number => sizeOfComplex(theveninImpedance(section, frequencyHz));

/**
 * What whatever is plugged in after a path sees, Ω: the source through everything passive.
 *
 * @param frequencyHz > 0
 */
export function theveninImpedance(
  section: Pick<Section, 'source' | 'path'>,
  frequencyHz: number,
): Complex {
  const ladder = compileSection(section);
  const state = createLadderState(1);
  const grid = gridOf(Float64Array.of(frequencyHz));
  resetLadder(state);
  runLadder(ladder, 0, ladder.ops.length, grid, state);
  const [d0, d1, n0, n1] = state.rows;
  return over([n0!, n1!], [d0!, d1!]);
}
