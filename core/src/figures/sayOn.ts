import { switchNumbers, type Chain } from '../rig';
import { nameSwitch } from './names';

/** So many that are off are said instead of all the others that are on. */
const FEW_OFF = 2;

/** Switches by their names; two of one name with their numbers. */
export function nameSwitches(rig: Chain, ids: readonly string[]): readonly string[] {
  const numbers = switchNumbers(rig);
  const all = [...numbers.keys()].map((id) => nameSwitch(rig, id));
  const isTwice = (name: string) => all.indexOf(name) !== all.lastIndexOf(name);
  return ids.map((id) => {
    const name = nameSwitch(rig, id);
    return isTwice(name) ? `${numbers.get(id)} ${name}` : name;
  });
}

/**
 * What is on in a state, as short as it can be told from its neighbours: "everything but Mudlark on".
 *
 * @param switches that count, in the order of the rig
 */
export function sayOn(
  rig: Chain,
  switches: readonly string[],
  positions: Readonly<Record<string, boolean>>,
): string {
  const on = switches.filter((id) => positions[id]);
  const off = switches.filter((id) => !positions[id]);
  if (on.length === 0) return 'everything off';
  if (off.length === 0) return 'everything on';
  if (off.length <= FEW_OFF && on.length > FEW_OFF)
    return `everything but ${nameSwitches(rig, off).join(' and ')} on`;
  return `${nameSwitches(rig, on).join(', ')} on`;
}
