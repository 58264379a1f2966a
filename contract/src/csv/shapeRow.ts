import {
  gearOf,
  outletGroup,
  pickupOfClass,
  typicalBody,
  typicalSupplyCase,
  type Device,
  type Fixture,
  type GearKind,
  type Guitar,
  type PickupClass,
  type Supply,
} from '@gullwind/core';
import { readNumberCell, readOrigin } from './cells';
import { OLD_OUTLETS } from './oldNames';
import { oneOf, refuse, yes, type Row } from './rowWords';

/// The thing that a row is about before its numbers: of its class, with its second pickup, jacks, loops, case, outlets.

/** By its name in the file format, or by the words that the page shows. */
function classOf(kind: GearKind, text: string | undefined): string {
  const { labels, usual } = gearOf(kind).classes;
  if (text === undefined) return usual;
  const keys = Object.keys(labels);
  const byLabel = keys.find((key) => labels[key]!.toLowerCase() === text.toLowerCase());
  return byLabel ?? oneOf('class', text, keys);
}

/** A supply's case alone was a fixture once; a supply had no class. */
const classNow = (kind: GearKind, of: string | undefined): string | undefined =>
  kind === 'fixture' && of?.toLowerCase() === 'supply' ? 'reserved' : of;

const blankOf = (kind: GearKind, text: string | undefined, name: string): object =>
  gearOf(kind).blank(classOf(kind, text), name);

const { sideJack: SIDE_JACKS, insert: INSERTS } = gearOf('device').fixed as {
  readonly sideJack: readonly Device['sideJack'][];
  readonly insert: readonly Device['insert'][];
};

/** A thing of the class that the row says, with everything there that its numbers are numbers of. */
export const shapeOfRow = (kind: GearKind, name: string, row: Row): object =>
  shapedBy(blankOf(kind, classNow(kind, row.words.get('class')), name), kind, row);

/** Second pickup, jacks, loops, case: what has to be there before its numbers. */
function shapedBy(thing: object, kind: GearKind, { words, choices }: Row): object {
  if (kind === 'guitar' && words.has('second')) {
    const second = pickupOfClass(classOf('guitar', words.get('second')) as PickupClass);
    return { ...(thing as Guitar), second };
  }
  if (kind === 'supply') {
    const supply = withOldOutlets(thing as Supply, choices);
    if (!yes('body', words.get('body') ?? 'no')) return supply;
    return { ...supply, body: typicalSupplyCase(supply) };
  }
  if (kind === 'fixture') {
    const { body, ...fixture } = thing as Fixture;
    return { ...fixture, body: { ...body, powerNote: words.get('powerNote') ?? '' } };
  }
  return kind === 'device' ? shapedDevice(thing as Device, words) : thing;
}

/** Outlets that are all alike, as lists of before tell them. */
function withOldOutlets(supply: Supply, choices: Row['choices']): Supply {
  const told = new Map(choices.filter(([path]) => Object.hasOwn(OLD_OUTLETS, path)));
  if (told.size === 0) return supply;
  const [usual] = supply.groups;
  const { rules } = gearOf('supply').lists.groups!;
  const number = (path: string, key: 'outlets' | 'volts' | 'amps', unit: string): number => {
    const text = told.get(path);
    if (text === undefined) return usual![key];
    const read = readNumberCell(rules![key]!, text, unit);
    return read.kind === 'ok' ? read.si : refuse(read.message);
  };
  const group = outletGroup(
    number('outlets', 'outlets', ''),
    number('outletV', 'volts', 'V'),
    number('outletA', 'amps', 'mA'),
    {
      ground: yes('isolated', told.get('isolated') ?? 'yes') ? 'isolated' : 'shared',
      polarity: oneOf('polarity', told.get('polarity') ?? 'centreNegative', [
        'centreNegative',
        'centrePositive',
        'ac',
      ]),
    },
  );
  const { from = 'entered' } = readOrigin(told.get('outletFrom') ?? '') ?? {};
  return { ...supply, groups: [group], groupsFrom: from === 'laid' ? 'assumed' : from };
}

function shapedDevice(device: Device, words: Row['words']): Device {
  const fails = words.get('fails');
  const hasBody = yes('body', words.get('body') ?? (fails === undefined ? 'no' : 'yes'));
  const made: Device = {
    ...device,
    sideJack: oneOf('sideJack', words.get('sideJack') ?? device.sideJack, SIDE_JACKS),
    insert: oneOf('insert', words.get('insert') ?? device.insert, INSERTS),
    loops: Number(words.get('loops') ?? device.loops),
  };
  if (!hasBody) return made;
  const powerNote = words.get('powerNote') ?? '';
  return { ...made, body: { ...typicalBody(made), fails: fails ?? '', powerNote } };
}
