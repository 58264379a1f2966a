import { parseArgs } from 'node:util';
import type { UnitSystem } from '@gullwind/core';

export const COMMANDS = ['figures', 'curve', 'states', 'plans', 'netlist'] as const;
export type CommandName = (typeof COMMANDS)[number];

export const FORMATS = ['json', 'csv'] as const;
export type Format = (typeof FORMATS)[number];

export interface Options {
  readonly command: CommandName;
  /** "-" is what comes in. */
  readonly file: string;
  readonly format: Format;
  readonly units: UnitSystem;
  /** Name of a scene to recall first. */
  readonly scene: string | null;
  /** Name of a place to go to first. */
  readonly place: string | null;
  /** Row of the way to its destination; the main one unless told. */
  readonly way: string | null;
  /** A gear list (CSV) that plans may take from. */
  readonly gear: string | null;
  /** Most changes of one plan. */
  readonly changes: 1 | 2 | 3;
}

/** What is wrong with how it was called. */
export class UsageError extends Error {}

export const HELP = `npm run gullwind -- COMMAND FILE [options]

FILE is a rig as it is exported (JSON), of any format; "-" reads what comes in.

  figures   treble, level and all other figures against straight in
  curve     the response as it stands and straight in, 48 points an octave
  states    how far switching alone changes the sound: brightest, dullest, spread
  plans     the changes worth making, each with its work, price and figures
  netlist   the circuit as it stands, for a circuit simulator

Options
  --format json|csv   what comes out (json); a netlist is text
  --units metric|imperial   lengths in words (metric)
  --scene NAME        recall this scene first
  --place NAME        go to this place first
  --way ROW           the way to another destination, by its row (r1 is the main one)
  --gear FILE         plans: a gear list (CSV) to take from
  --changes 1|2|3     plans: so many changes together at most (2)
  --help              this text

Exit codes: 0 done; 1 the file cannot be read or is not a rig; 2 it was called wrongly;
3 nothing comes through, so there is nothing to say.

Treble is the mean over 2 to 8 kHz against the level at 400 Hz, in dB against straight in.
`;

const SETTINGS = {
  format: { type: 'string', default: 'json' },
  units: { type: 'string', default: 'metric' },
  scene: { type: 'string' },
  place: { type: 'string' },
  way: { type: 'string' },
  gear: { type: 'string' },
  changes: { type: 'string', default: '2' },
  help: { type: 'boolean', default: false },
} as const;

/**
 * Reads the command line.
 *
 * @returns null where help is asked for
 * @throws UsageError with a sentence
 */
export function readOptions(args: readonly string[]): Options | null {
  const { values, positionals } = parsed(args);
  if (values.help) return null;
  const [command, file, ...more] = positionals;
  if (command === undefined)
    throw new UsageError('Say what is wanted: figures, curve, states, plans or netlist.');
  if (file === undefined) throw new UsageError(`${command} FILE: name the file of a rig.`);
  if (more.length > 0) throw new UsageError(`One file at a time: “${more[0]}” is one too many.`);
  return {
    command: oneOf('The command', COMMANDS, command),
    file,
    format: oneOf('--format', FORMATS, values.format),
    units: oneOf('--units', ['metric', 'imperial'] as const, values.units),
    scene: values.scene ?? null,
    place: values.place ?? null,
    way: values.way ?? null,
    gear: values.gear ?? null,
    changes: Number(oneOf('--changes', ['1', '2', '3'] as const, values.changes)) as 1 | 2 | 3,
  };
}

function parsed(args: readonly string[]) {
  try {
    return parseArgs({ args: [...args], allowPositionals: true, options: SETTINGS });
  } catch (error) {
    throw new UsageError((error as Error).message);
  }
}

function oneOf<T extends string>(what: string, allowed: readonly T[], given: string): T {
  const found = allowed.find((one) => one === given);
  if (found === undefined)
    throw new UsageError(`${what} is “${given}”; it must be one of ${allowed.join(', ')}.`);
  return found;
}
