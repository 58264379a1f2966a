/// A mixed-integer program as text in the LP format that general solvers read.

/** A sum of variables, each times a number. */
export type Sum = readonly (readonly [times: number, variable: string])[];

export interface Row {
  readonly sum: Sum;
  readonly is: '<=' | '>=' | '=';
  readonly value: number;
}

export interface Program {
  readonly rows: readonly Row[];
  /** 0 or 1. */
  readonly binaries: readonly string[];
  /** Between 0 and the number beside it. */
  readonly bounded: readonly (readonly [variable: string, most: number])[];
}

/** What a solver says. */
export interface Solution {
  /** "feasible": found in the time there was, not proven best. */
  readonly kind: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly values: Readonly<Record<string, number>>;
}

/** A solver of mixed-integer programs: text in the LP format, and the seconds it has. */
export type Solve = (program: string, seconds: number) => Solution;

/** The part of a solver's package that is used. */
interface MixedIntegerSolver {
  solve: (
    program: string,
    options: Readonly<Record<string, string | number | boolean>>,
  ) => { readonly Status: string; readonly Columns: object };
}

/** A solver that has been loaded, to the last bit: nothing is left at "nearly". */
export const solverOf =
  (solver: MixedIntegerSolver): Solve =>
  (program, seconds) => {
    const options = { time_limit: seconds, mip_rel_gap: 0, mip_abs_gap: 1e-7, output_flag: false };
    const { Status, Columns } = solver.solve(program, options);
    const values = Object.fromEntries(
      Object.entries(Columns as Readonly<Record<string, { readonly Primal?: number }>>).map(
        ([name, { Primal }]) => [name, Primal ?? 0],
      ),
    );
    return { kind: kindOf(Status, values), values };
  };

function kindOf(status: string, values: Solution['values']): Solution['kind'] {
  if (status === 'Optimal') return 'optimal';
  if (status === 'Infeasible') return 'infeasible';
  const hasAny = Object.values(values).some((value) => Number.isFinite(value) && value > 0);
  return status === 'Time limit reached' && hasAny ? 'feasible' : 'unknown';
}

const TERMS_A_LINE = 8;

function writeSum(sum: Sum): string {
  const terms = sum.map(
    ([times, variable]) => `${times < 0 ? '-' : '+'} ${Math.abs(times)} ${variable}`,
  );
  const lines: string[] = [];
  for (let i = 0; i < terms.length; i += TERMS_A_LINE)
    lines.push(terms.slice(i, i + TERMS_A_LINE).join(' '));
  return lines.join('\n ');
}

/** @param goal what is made as small as it can be; a constant where it is empty */
export function writeProgram({ rows, binaries, bounded }: Program, goal: Sum): string {
  const some = binaries[0] ?? bounded[0]?.[0] ?? 'nothing';
  return [
    'Minimize',
    ` goal: ${writeSum(goal.length > 0 ? goal : [[0, some]])}`,
    'Subject To',
    ...rows
      .filter(({ sum }) => sum.length > 0)
      .map(({ sum, is, value }, i) => ` r${i}: ${writeSum(sum)} ${is} ${value}`),
    'Bounds',
    ...bounded.map(([variable, most]) => ` 0 <= ${variable} <= ${most}`),
    ...(binaries.length > 0 ? ['Binaries', ...binaries.map((variable) => ` ${variable}`)] : []),
    'End',
  ].join('\n');
}

/** What a sum comes to. */
export const valueOf = (sum: Sum, values: Solution['values']): number =>
  sum.reduce((all, [times, variable]) => all + times * (values[variable] ?? 0), 0);
