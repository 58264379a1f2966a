import { bodyOf } from '../gear';
import { mainRow, type Rig } from '../rig';
import { wayOf } from '../trace';

/// How to find a fault on this rig in five steps: for who has no page at hand.

export function faultSteps(rig: Rig): readonly string[] {
  const way = wayOf(rig);
  const { devices } = mainRow(rig);
  const amp = way.destination.name;
  const mutes = devices.filter(({ mutes: does, pot }) => does || pot !== null);
  const middle = devices[Math.floor(devices.length / 2)];
  const before = devices.slice(0, devices.indexOf(middle!)).map(({ name }) => name);
  const supplies = way.supplies.filter(({ feeds }) => feeds.length > 0);
  return [
    `Look: volume of the guitar, ${mutes.length > 0 ? `${list(mutes.map(({ name }) => name))} off and open, ` : ''}${amp} on and turned up.`,
    `Straight in: guitar by a cable that is known to be good into ${amp}. Still there: guitar or amp. Gone: the board or its cables.`,
    middle
      ? `Halve it: guitar into ${middle.name}. Still there: from ${middle.name} to the amp. Gone: ${before.length > 0 ? `${list(before)} or ` : ''}the cables before it. Halve again.`
      : 'Halve it: a known-good cable in the place of the one to the amp.',
    supplies.length > 0
      ? `Power: ${supplies.map(({ name, feeds }) => `${name} feeds ${list(feeds.map((feed) => feed.name))}`).join('; ')}. What falls silent together hangs together.`
      : 'Power: batteries first; a fresh one is the quickest test there is.',
    'Move and change: every plug of the half that is left, one by one, while a note rings; then a spare in the place of each cable, by its label.',
  ];
}

const list = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** What goes first on each thing, in the words of who mends it. */
export const failsFirst = (rig: Rig): readonly (readonly [name: string, fails: string])[] =>
  mainRow(rig).devices.flatMap((device) => {
    const { fails } = bodyOf(device);
    return fails === '' ? [] : [[device.name, fails] as const];
  });
