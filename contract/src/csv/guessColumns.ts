import { GEAR_KINDS, parseQuantity } from '@gullwind/core';
import {
  choiceHeader,
  choicePaths,
  NUMBER_RULES,
  READING_COLUMNS,
  WHOLE_CABLE,
  WORD_COLUMNS,
  type ColumnTarget,
} from './columns';
import { headerNow, OLD_OUTLETS, OLD_SIDES } from './oldNames';

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[\s_.,:-]+/gu, ' ')
    .trim();

/** Names people give to columns, beside the ones this project writes. */
const SYNONYMS: Readonly<Record<string, readonly string[]>> = {
  'word:name': ['cable', 'lead', 'pedal', 'guitar', 'label', 'item', 'designation', 'model'],
  'word:kind': ['type', 'sort'],
  'word:class': ['category'],
  'word:note': ['notes', 'remark', 'remarks', 'comment', 'comments'],
  'word:price': ['cost'],
  'word:supplier': ['source of supply', 'shop', 'vendor'],
  'number:lengthM': ['length', 'cable length', 'len', 'l'],
  'number:cPerMF': [
    'capacitance per metre',
    'capacitance per meter',
    'c per m',
    'c/m',
    'pf/m',
    'pf/ft',
  ],
  'number:plugF': ['plug', 'plug capacitance'],
  'number:rPerMOhm': ['resistance per metre', 'resistance per meter'],
  'number:on.rInOhm': ['input impedance', 'input', 'z in', 'zin'],
  'number:on.rOutOhm': ['output impedance', 'output', 'z out', 'zout'],
  'number:body.supplyA': ['current', 'ma', 'supply current'],
  'number:body.supplyV': ['voltage', 'volts', 'supply voltage'],
  'reading:totalF': [
    'capacitance',
    'c',
    'reading',
    'measured',
    'total',
    'total capacitance',
    'whole cable',
  ],
  'reading:on': ['date', 'day', 'measured on'],
  'reading:by': ['meter', 'instrument', 'measured by', 'measured with'],
};

const TARGETS: ReadonlyMap<string, ColumnTarget> = new Map(
  [...allTargets()].flatMap(([names, target]) =>
    names.map((name) => [plain(name), target] as const),
  ),
);

function* allTargets(): Generator<readonly [readonly string[], ColumnTarget]> {
  const also = (key: string) => SYNONYMS[key] ?? [];
  for (const path of Object.keys(NUMBER_RULES)) {
    const { label } = NUMBER_RULES[path]!;
    yield [[...also(`number:${path}`), path, label], { kind: 'number', path, unit: '' }];
    yield [[`${label}, from`, `${path} from`], { kind: 'origin', path }];
  }
  for (const kind of GEAR_KINDS)
    for (const path of choicePaths(kind)) yield [[choiceHeader(path)], { kind: 'choice', path }];
  for (const path of Object.keys(OLD_SIDES)) yield [[path], { kind: 'choice', path }];
  for (const [path, header] of Object.entries(OLD_OUTLETS))
    yield [[path, header], { kind: 'choice', path }];
  for (const column of READING_COLUMNS)
    yield [[...also(`reading:${column}`), column], { kind: 'reading', column, unit: '' }];
  for (const column of WORD_COLUMNS)
    yield [[...also(`word:${column}`), column], { kind: 'word', column }];
}

/** Everything a column can be read as. */
export const ALL_TARGETS: readonly ColumnTarget[] = [
  { kind: 'ignore' },
  ...new Map([...allTargets()].map(([, target]) => [JSON.stringify(target), target])).values(),
];

const UNIT_AT_END = /^(.*?)\s*(?:\(([^()]*)\)|\[([^[\]]*)\])\s*$/u;

/** What is longer is no header that anybody wrote. */
const LONGEST_HEADER = 200;

/** What a header means, and the unit it names: "Length (ft)", "Capacitance [pF/m]", "Date". */
export function guessColumn(header: string): ColumnTarget {
  if (header.length > LONGEST_HEADER) return { kind: 'ignore' };
  const match = UNIT_AT_END.exec(header);
  const name = plain(match ? match[1]! : header);
  const unit = (match?.[2] ?? match?.[3] ?? '').trim();
  const target = [name, plain(header), plain(headerNow(name))]
    .map((called) => TARGETS.get(called))
    .find((found) => found !== undefined);
  if (!target) return { kind: 'ignore' };
  if (target.kind === 'reading' && target.column === 'totalF') return capacitance(unit);
  if (target.kind === 'number') return { ...target, unit: isUnit(target.path, unit) ? unit : '' };
  return target;
}

/** "Capacitance" is of a metre where its unit says so, else of the whole cable. */
function capacitance(unit: string): ColumnTarget {
  return unit !== '' && isUnit('cPerMF', unit)
    ? { kind: 'number', path: 'cPerMF', unit }
    : { kind: 'reading', column: 'totalF', unit: isWholeUnit(unit) ? unit : '' };
}

const isUnit = (path: string, unit: string): boolean =>
  unit === '' || parseQuantity(`1 ${unit}`, NUMBER_RULES[path]!.quantity, 'metric').kind === 'ok';

const isWholeUnit = (unit: string): boolean =>
  parseQuantity(`1 ${unit}`, WHOLE_CABLE.quantity, 'metric').kind === 'ok';
