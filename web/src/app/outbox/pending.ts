import type {
  GearList,
  HuntSetting,
  MeasurementPage,
  RevisionPage,
  RigPage,
  SentHunt,
  Settings,
  StoredItem,
} from '@gullwind/contract';
import type {
  BoardPhoto,
  BuildRecords,
  GearItem,
  Hearing,
  Hunt,
  HuntAnswer,
  MeasurementHead,
  OffCut,
} from '@gullwind/core';
import type { Operation } from './operation';
import type { ArgsOf, WriteName } from './writes';

/// What the server answered, with what waits to be sent: the page shows what will be, whether the server is there or not.

/** A write by its kind, with when it was made. */
type Pending = {
  [Name in WriteName]: { readonly name: Name; readonly args: ArgsOf<Name>; readonly at: string };
}[WriteName];

type Shown<Data, Arg = void> = (data: Data, pending: Pending, arg: Arg) => Data;

const without = <T>(list: readonly T[], isGone: (one: T) => boolean): readonly T[] =>
  list.some(isGone) ? list.filter((one) => !isGone(one)) : list;

const withItem = (list: GearList, item: GearItem): GearList => ({
  items: list.items.map((stored) => (stored.item.id === item.id ? { ...stored, item } : stored)),
});

const showGear: Shown<GearList> = (list, { name, args }) => {
  switch (name) {
    case 'addGear': {
      const there = new Set(list.items.map(({ item }) => item.id));
      const added = args.filter(({ id }) => !there.has(id));
      return {
        items: [...list.items, ...added.map((item): StoredItem => ({ item, revision: 1 }))],
      };
    }
    case 'removeGear':
      return { items: without(list.items, ({ item }) => args.includes(item.id)) };
    case 'putItem':
      return withItem(list, args.item);
    case 'addMeasurement':
      return args.accepted ? withItem(list, args.accepted.item) : list;
    default:
      return list;
  }
};

const showBuild: Shown<BuildRecords, string> = (records, { name, args, at }, rig) => {
  if (name === 'setDone' && args.id === rig) {
    const steps = new Set(args.ticks.map(({ step }) => step));
    const done = args.ticks.filter(({ isDone }) => isDone);
    return {
      ...records,
      done: [
        ...records.done.filter(({ step }) => !steps.has(step)),
        ...done.map(({ isDone: _, ...tick }) => ({ ...tick, at })),
      ],
    };
  }
  if (name === 'addTest' && args.id === rig) {
    const { testId, test } = args;
    if (records.tests.some(({ id }) => id === testId)) return records;
    return { ...records, tests: [...records.tests, { ...test, id: testId, at }] };
  }
  return records;
};

interface OffCutList {
  readonly offCuts: readonly OffCut[];
}

const showOffCuts: Shown<OffCutList> = (list, { name, args }) => {
  if (name === 'setDone' && args.offCut) {
    const { offCut } = args;
    return { offCuts: [...list.offCuts.filter(({ id }) => id !== offCut.id), offCut] };
  }
  if (name === 'removeOffCut')
    return { offCuts: without(list.offCuts, ({ id }) => id === args.id) };
  return list;
};

interface Photo {
  readonly photo: BoardPhoto | null;
}

const showPhoto: Shown<Photo, string> = ({ photo }, { name, args }, rig) => {
  if (name === 'layPhoto' && args.id === rig && photo) return { photo: { ...photo, ...args.lie } };
  if (name === 'removePhoto' && args.id === rig) return { photo: null };
  return { photo };
};

const showSettings: Shown<Settings> = (settings, { name, args }) =>
  name === 'putSettings' ? args : settings;

interface HearingList {
  readonly hearings: readonly Hearing[];
}

const showHearings: Shown<HearingList> = (list, { name, args, at }) => {
  if (name !== 'addHearing' || list.hearings.some(({ id }) => id === args.id)) return list;
  return { hearings: [{ ...args.heard, id: args.id, at }, ...list.hearings] };
};

/** A hunt as it is begun. */
const begun = (id: string, hunt: SentHunt, at: string): Hunt => ({
  ...hunt,
  id,
  begunAt: at,
  changedAt: at,
  endedAt: null,
  ending: null,
  answers: [],
});

/** A hunt that was begun while the server was away is there from its beginning on. */
function showHunt(hunt: Hunt | undefined, pending: Pending, id: string): Hunt | undefined {
  const { name, args, at } = pending;
  if (name === 'putHunt' && args.id === id) return hunt ?? begun(id, args.hunt, at);
  return hunt && hunt.id === id ? inHunt(hunt, pending) : hunt;
}

/** A weight of null is the usual one again. */
function withSetting(hunt: Hunt, { weights = {}, ...rest }: HuntSetting): Hunt {
  const all = Object.entries({ ...hunt.weights, ...weights });
  const own = all.filter((one): one is [string, number] => one[1] !== null);
  return { ...hunt, ...rest, weights: Object.fromEntries(own) };
}

/** What happens to a hunt that there is. */
function inHunt(hunt: Hunt, { name, args, at }: Pending): Hunt {
  switch (name) {
    case 'addHuntAnswer': {
      const isThere = hunt.answers.some(({ id }) => id === args.answerId);
      if (args.id !== hunt.id || isThere) return hunt;
      const answer = { ...args.answer, id: args.answerId, at, takenBack: null };
      return { ...hunt, answers: [...hunt.answers, answer] };
    }
    case 'takeBackAnswer': {
      const takenBack = args.isTakenBack ? at : null;
      const taken = (one: HuntAnswer) => (one.id === args.answerId ? { ...one, takenBack } : one);
      return { ...hunt, answers: hunt.answers.map(taken) };
    }
    case 'setHunt':
      return args.id === hunt.id ? withSetting(hunt, args.setting) : hunt;
    case 'endHunt':
      return args.id === hunt.id
        ? { ...hunt, ending: args.ending, endedAt: args.ending ? at : null }
        : hunt;
    default:
      return hunt;
  }
}

interface HuntList {
  readonly hunts: readonly Hunt[];
}

const showHunts: Shown<HuntList, string | null> = (list, pending, rig) => {
  const hunts = list.hunts.map((hunt) => showHunt(hunt, pending, hunt.id)!);
  const { name, args } = pending;
  const isNew = name === 'putHunt' && !hunts.some(({ id }) => id === args.id);
  const isWanted = isNew && (rig === null || args.hunt.rig === rig);
  return { hunts: isWanted ? [showHunt(undefined, pending, args.id)!, ...hunts] : hunts };
};

interface Pages<Page> {
  readonly pages: readonly Page[];
  readonly pageParams: readonly unknown[];
}

/** A measurement that is not sent yet is the first of the first page. */
const showMeasurements: Shown<Pages<MeasurementPage>, string | null> = (
  list,
  { name, args, at },
  rig,
) => {
  const struck = (one: MeasurementHead) =>
    name === 'strikeMeasurement' && one.id === args.id ? { ...one, struck: args.struck } : one;
  const heads = list.pages.flatMap(({ measurements }) => measurements);
  const isNew =
    name === 'addMeasurement' &&
    (rig === null || args.sent.rig === rig) &&
    !heads.some(({ id }) => id === args.id);
  return {
    ...list,
    pages: list.pages.map(({ total, measurements }, i) => {
      const isFirst = list.pageParams[i] === null;
      if (!isNew || !isFirst) return { total, measurements: measurements.map(struck) };
      const { readings: _, responses: __, ...head } = args.sent;
      const made: MeasurementHead = { ...head, id: args.id, at, struck: null };
      return { total: total + 1, measurements: [made, ...measurements] };
    }),
  };
};

/** A rig that is taken off the list, or put back, is on the other one. */
const showRigs: Shown<Pages<RigPage>, { readonly removed: boolean }> = (
  list,
  { name, args },
  { removed },
) => {
  const isGone = name === (removed ? 'restoreRig' : 'deleteRig');
  if (!isGone) return list;
  return {
    ...list,
    pages: list.pages.map((page) => {
      const rigs = without(page.rigs, ({ id }) => id === args.id);
      return { total: page.total - (page.rigs.length - rigs.length), rigs };
    }),
  };
};

const showRevisions: Shown<Pages<RevisionPage>, string> = (list, { name, args }, rig) =>
  name !== 'nameRevision' || args.id !== rig
    ? list
    : {
        ...list,
        pages: list.pages.map((page) => ({
          ...page,
          revisions: page.revisions.map((one) =>
            one.revision === args.revision ? { ...one, name: args.name } : one,
          ),
        })),
      };

/** By what the page asks. */
export const SHOWN = {
  listGear: showGear,
  getBuild: showBuild,
  listOffCuts: showOffCuts,
  getPhoto: showPhoto,
  getSettings: showSettings,
  listMeasurements: showMeasurements,
  listHearings: showHearings,
  getHunt: showHunt,
  listHunts: showHunts,
  listRigs: showRigs,
  listRevisions: showRevisions,
} as const;

export type ShownName = keyof typeof SHOWN;

export const isShown = (name: string): name is ShownName => name in SHOWN;

const pendingOf = ({ name, args, nth }: Operation): Pending =>
  ({ name, args, at: new Date(nth).toISOString() }) as unknown as Pending;

/** What was asked, as it will be when everything that waits has been sent. Of what was not answered undefined. */
export function withPending<Data>(
  name: ShownName,
  data: Data,
  arg: unknown,
  kept: readonly Operation[],
): Data {
  const show = SHOWN[name] as unknown as Shown<Data, unknown>;
  const isMissing = data === undefined && name !== 'getHunt';
  if (isMissing) return data;
  return kept
    .filter(({ state }) => state === 'waiting')
    .reduce((now, operation) => show(now, pendingOf(operation), arg), data);
}
