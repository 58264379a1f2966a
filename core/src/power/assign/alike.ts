import type { Choice, Link, OutletClass, Situation } from './choices';

/// Outlets of different supplies that give the same are taken together: a smaller question, whose answer is never worse
/// than that of the whole one. What a supply gives in all, and how far it is, is left out of it.

const keyOf = ({ supply, group, volts, amps }: OutletClass): string => {
  const { ground, polarity, volts: usual } = supply.groups[group]!;
  // A shared ground is that of its own supply.
  const own = ground === 'shared' ? `${supply.id} ${group}` : '';
  return [volts, amps, polarity, usual === volts, own].join(' ');
};

/** The most roomy of choices that are the same now. */
function together<One extends { readonly mostAmps: number }>(
  all: readonly One[],
  key: (one: One) => string,
): readonly One[] {
  const found = new Map<string, One>();
  for (const one of all) {
    const before = found.get(key(one));
    if (!before || before.mostAmps < one.mostAmps) found.set(key(one), one);
  }
  return [...found.values()];
}

/** Whether a group can be set: its outlets are those of several classes at once. */
const isSet = ({ supply, group }: OutletClass): boolean => supply.groups[group]!.volts2 > 0;

export interface Alike {
  /** The smaller question. */
  readonly situation: Situation;
  /** The whole question with nothing left to say but on which of the like outlets a thing hangs. */
  readonly outletByOutlet: (chosen: Pick<Situation, 'choices' | 'links'>) => Situation;
}

/** Null where no two outlets are alike. */
export function alikeTogether(situation: Situation): Alike | null {
  const { classes, freeOutlets } = situation;
  const groups = new Map<string, OutletClass[]>();
  for (const one of classes) {
    const settings = classes
      .filter(({ supply, group }) => supply === one.supply && group === one.group)
      .map(keyOf);
    const key = isSet(one) ? `${keyOf(one)} of ${settings.join(', ')}` : keyOf(one);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  if (groups.size === classes.length) return null;
  const first = new Map(
    [...groups.values()].flatMap((own) => own.map((one) => [one, own[0]!] as const)),
  );
  const own = new Map([...groups.values()].map((all) => [all[0]!, all]));
  const on = (one: OutletClass): OutletClass => first.get(one)!;
  const place = (one: OutletClass | null): string =>
    one === null ? '' : String(classes.indexOf(one));
  const headOf = ({ head }: Link): string =>
    typeof head === 'object' ? `fixed ${situation.fixed.indexOf(head)}` : String(head);
  const choiceKey = (one: Choice): string =>
    [one.consumer, place(on(one.on)), place(one.second && on(one.second)), one.via].join(' ');
  const linkKey = (one: Link): string =>
    [one.consumer, headOf(one), place(on(one.on)), one.via].join(' ');
  const choices = together(situation.choices, choiceKey).map((one): Choice => ({
    ...one,
    on: on(one.on),
    second: one.second && on(one.second),
  }));
  const links = together(situation.links, linkKey).map((one): Link => ({ ...one, on: on(one.on) }));
  return {
    situation: {
      ...situation,
      classes: [...own.keys()],
      freeOutlets: (of) => own.get(on(of))!.reduce((sum, one) => sum + freeOutlets(one), 0),
      feedings: { ...situation.feedings, supplies: [] },
      choices,
      links,
    },
    outletByOutlet: (chosen) => {
      const known = new Set([...chosen.choices.map(choiceKey), ...chosen.links.map(linkKey)]);
      return {
        ...situation,
        choices: situation.choices.filter((one) => known.has(choiceKey(one))),
        links: situation.links.filter((one) => known.has(linkKey(one))),
      };
    },
  };
}
