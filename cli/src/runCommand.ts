import * as commands from './commands';
import { readOptions, HELP, UsageError, type Options } from './options';
import { FileError, readGearFile, readRigFile } from './readFiles';
import { writeCsv, writeJson, type Report } from './report';
import { standAs } from './standing';

export interface Outcome {
  readonly exitCode: 0 | 1 | 2 | 3;
  readonly out: string;
  readonly err: string;
}

/** One call from beginning to end. */
export function runCommand(args: readonly string[]): Outcome {
  try {
    const options = readOptions(args);
    return { exitCode: 0, out: options === null ? HELP : answer(options), err: '' };
  } catch (error) {
    return { exitCode: exitCodeOf(error), out: '', err: `${(error as Error).message}\n` };
  }
}

function exitCodeOf(error: unknown): 1 | 2 | 3 {
  if (error instanceof FileError) return 1;
  if (error instanceof UsageError) return 2;
  if (error instanceof commands.NothingHeard) return 3;
  throw error;
}

function answer(options: Options): string {
  const { command, format, units, gear, changes } = options;
  const standing = standAs(readRigFile(options.file), options);
  const written = (report: Report) => (format === 'csv' ? writeCsv(report) : writeJson(report));
  switch (command) {
    case 'figures':
      return written(commands.figures(standing, units));
    case 'curve':
      return format === 'csv'
        ? commands.curveCsv(standing, units)
        : `${JSON.stringify(commands.curveJson(standing, units))}\n`;
    case 'states':
      return written(commands.states(standing));
    case 'plans': {
      const items = gear === null ? [] : readGearFile(gear);
      return written(commands.plans(standing, units, items, changes));
    }
    case 'netlist':
      return commands.netlist(standing);
  }
}
