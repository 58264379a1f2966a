import { GEAR_KINDS, gearOf, QUANTITY_RULES, type FieldRule, type GearKind } from '@gullwind/core';

/// What a column of a gear list in CSV can be. The header of a number says its unit.

/** Words about the entry itself. */
export const WORD_COLUMNS = [
  'kind',
  'id',
  'name',
  'class',
  'note',
  'price',
  'supplier',
  'form',
  'stiffness',
  'ruggedness',
  'shield',
  'retired',
  // The shape of a thing, beside its numbers.
  'second',
  'sideJack',
  'insert',
  'loops',
  'body',
  'fails',
  'jacks',
  'switches',
  'slats',
  'openings',
  'groups',
  'powerNote',
] as const;

/** Of a list of readings: the whole cable by a meter, the day, the meter. */
export const READING_COLUMNS = ['totalF', 'on', 'by'] as const;

export type WordColumn = (typeof WORD_COLUMNS)[number];
export type ReadingColumn = (typeof READING_COLUMNS)[number];

const rulesOf = (kind: GearKind): Readonly<Record<string, FieldRule>> => gearOf(kind).numbers;

export const numberPaths = (kind: GearKind): readonly string[] => Object.keys(rulesOf(kind));

/** Words and yes/no of a kind that have a column of their own; a guitar's kind is its "source". */
export const choicePaths = (kind: GearKind): readonly string[] =>
  Object.keys(gearOf(kind).choices).filter((path) => path !== gearOf(kind).classes.field);

export const choiceHeader = (path: string): string => (path === 'kind' ? 'source' : path);

/** Any number of any kind, by its path. Paths that kinds share mean the same. */
export const NUMBER_RULES: Readonly<Record<string, FieldRule>> = Object.assign(
  {},
  ...[...GEAR_KINDS].reverse().map(rulesOf),
) as Readonly<Record<string, FieldRule>>;

export const WHOLE_CABLE: FieldRule = {
  label: 'Capacitance of the whole cable',
  quantity: 'capacitance',
  min: 0,
  max: 1e-6,
};

/** The unit that a number of this rule has where neither header nor cell names one. */
export const bareUnit = ({ quantity }: FieldRule): string =>
  QUANTITY_RULES[quantity].bare.metric.symbol;

export function numberHeader(path: string): string {
  const rule = NUMBER_RULES[path]!;
  const unit = rule.quantity === 'fraction' ? '0 to 10' : bareUnit(rule);
  return unit === '' ? rule.label : `${rule.label} (${unit})`;
}

export const originHeader = (path: string): string => `${NUMBER_RULES[path]!.label}, from`;

/** What a column is read as. */
export type ColumnTarget =
  | { readonly kind: 'ignore' }
  | { readonly kind: 'word'; readonly column: WordColumn }
  | { readonly kind: 'reading'; readonly column: ReadingColumn; readonly unit: string }
  | { readonly kind: 'number'; readonly path: string; readonly unit: string }
  | { readonly kind: 'origin'; readonly path: string }
  | { readonly kind: 'choice'; readonly path: string };

/** As words for a list to choose from. */
export const targetKey = (target: ColumnTarget): string => {
  switch (target.kind) {
    case 'ignore':
      return 'ignore';
    case 'word':
    case 'reading':
      return `${target.kind}:${target.column}`;
    default:
      return `${target.kind}:${target.path}`;
  }
};

/** What people call a column of words, where its name in the file is none of theirs. */
const WORDS: Readonly<Record<string, string>> = {
  'word:kind': 'guitar, pedal, cable …',
  'word:id': 'its id in the list',
  'word:form': 'made up or a reel',
  'word:shield': 'kind of shield',
  'word:retired': 'no longer used: yes or no',
  'word:second': 'second pickup',
  'word:sideJack': 'side jack',
  'word:insert': 'send and return',
  'word:loops': 'how many loops',
  'word:body': 'has a case: yes or no',
  'word:fails': 'how it fails',
  'word:jacks': 'jacks: kind, side and mm along it',
  'word:switches': 'foot-switches: mm from the left and the front',
  'word:slats': 'slats: mm of front and back edge',
  'word:openings': 'openings: shape, mm of its middle and size',
  'word:groups': 'outlets: ground, polarity, how many, voltage and current',
  'word:powerNote': 'at another voltage',
  'reading:totalF': 'capacitance of the whole cable',
  'reading:on': 'day of the measurement',
  'reading:by': 'meter',
  'choice:kind': 'magnetic, piezo or active; amp, DI …',
  'choice:bleed': 'treble bleed',
  'choice:noLoad': 'no-load tone pot: yes or no',
  'choice:pickupSwitch': 'pickup switch',
  'choice:joint': 'joint: pickups or plug',
  'choice:outOfPhase': 'pickups out of phase: yes or no',
  'choice:sharing': 'pots shared or one each',
  'choice:potWiring': 'pots dependent or independent',
  'choice:bypassChoice': 'which bypass it is switched to',
  'choice:mutes': 'mutes when it is on: yes or no',
  'choice:powerLost': 'without power',
  'choice:bufferIn': 'buffer at its input: yes or no',
  'choice:bufferOut': 'buffer at its output: yes or no',
  'choice:body.polarity': 'polarity of its power jack',
  'choice:body.ground': 'pole of its audio ground',
  'choice:groupsFrom': 'where what is said of its outlets is from',
  'choice:body.inputAt': 'side of its input',
  'choice:body.outputAt': 'side of its output',
  'choice:body.powerAt': 'side of its power jack',
  'choice:body.placesFrom': 'where the places on its case are from',
  'choice:placesFrom': 'where the places on it are from',
  'choice:shape': 'shape of a plug',
  'choice:added': 'has a capacitor added: yes or no',
  'choice:input': 'input with a grid stopper or plain',
  'choice:polarity': 'polarity of outlets',
  'choice:isolated': 'outlets isolated: yes or no',
  'choice:outlets': 'outlets',
  'choice:outletV': 'voltage of an outlet',
  'choice:outletA': 'current of an outlet',
  'choice:outletFrom': 'where from: current of an outlet',
  'choice:surface': 'rows, plate or mesh',
};

/** A column in the words of a person. */
export function sayTarget(target: ColumnTarget): string {
  switch (target.kind) {
    case 'ignore':
      return 'nothing: leave it out';
    case 'number':
      return NUMBER_RULES[target.path]!.label.toLowerCase();
    case 'origin':
      return `where from: ${NUMBER_RULES[target.path]!.label.toLowerCase()}`;
    case 'choice':
      return WORDS[targetKey(target)] ?? target.path;
    default:
      return WORDS[targetKey(target)] ?? target.column;
  }
}
