import {
  type Device,
  type Destination,
  type GearItem,
  type Guitar,
  type Provenance,
  type Sourced,
  type Things,
  FIELD_RULES,
} from '../gear';
import { readNumber } from '../rig';

/** Settings and sizes say nothing of how well a thing is known. */
const ASIDE = /(^|\.)(travel|midFraction|coil|addedF)$/u;

/** Of what a signal or a current runs through, its case is beside the point; of a fixture it is all there is. */
const isBeside = (kind: GearItem['kind'], path: string): boolean =>
  ASIDE.test(path) || (kind !== 'fixture' && path.startsWith('body.'));

/** The numbers of an entry that act as it is built: those of a bypass it does not have are left out. */
export function actingValues({
  kind,
  thing,
}: Pick<GearItem, 'kind' | 'thing'>): readonly Sourced[] {
  return Object.keys(FIELD_RULES[kind])
    .filter((path) => !isBeside(kind, path) && isActing(kind, thing, path))
    .flatMap((path) => readNumber(thing, path) ?? []);
}

function isActing(kind: GearItem['kind'], thing: Things[keyof Things], path: string): boolean {
  switch (kind) {
    case 'guitar':
      return actsInGuitar(thing as Guitar, path);
    case 'device':
      return actsInDevice(thing as Device, path);
    case 'destination':
      return actsInDestination(thing as Destination, path);
    default:
      return true;
  }
}

function actsInGuitar({ kind, bleed }: Guitar, path: string): boolean {
  if (path === 'piezoF') return kind === 'piezo';
  if (path === 'outputOhm') return kind === 'active';
  if (path === 'bleedF') return bleed !== 'none' && kind === 'magnetic';
  if (path === 'bleedOhm')
    return (bleed === 'parallel' || bleed === 'series') && kind === 'magnetic';
  return kind === 'magnetic';
}

function actsInDevice({ bypass, mutes }: Device, path: string): boolean {
  const [side, field] = path.split('.');
  if (side === 'on')
    return bypass !== 'passive' && !(mutes && field !== 'rInOhm' && field !== 'cInF');
  if (side === 'off')
    return (
      bypass === 'buffered' || (bypass === 'hardwired' && (field === 'rInOhm' || field === 'cInF'))
    );
  return side === 'pot' || (bypass !== 'buffered' && bypass !== 'alwaysOn');
}

function actsInDestination({ kind, input }: Destination, path: string): boolean {
  if (path === 'stopperOhm' || path === 'millerF') return input === 'gridStopper';
  if (path === 'cInF') return input === 'plain';
  return path === 'rInOhm' || kind === 'amp';
}

/** How many of an entry's numbers come from where. */
export function countOrigins(
  item: Pick<GearItem, 'kind' | 'thing'>,
): Readonly<Record<Provenance, number>> {
  const counts = { assumed: 0, entered: 0, sheet: 0, measured: 0, laid: 0 };
  for (const { from } of actingValues(item)) counts[from]++;
  return counts;
}
