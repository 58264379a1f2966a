import { wantsPickup, type Device } from '../gear';
import type { DriverLink, Link } from './openWay';

/** At or below this a driver changes what a low-impedance fuzz does, Ω. */
const LOW_OHM = 10_000;

/**
 * How often the rules about low-impedance fuzzes are broken over all states: one that something low drives
 * instead of the pickup, unless something stands for it; one that a wah drives directly. A buffer between a wah
 * and a fuzz is the exception.
 */
export function brokenRules(
  byId: ReadonlyMap<string, Device>,
  drivers: readonly DriverLink[],
): number {
  const fuzzes = [...byId.values()].filter(wantsPickup);
  if (fuzzes.length === 0) return 0;
  const feeds = new FeedSearch(drivers, byId);
  return fuzzes.reduce((sum, fuzz) => {
    const feeding = feeds.engagedFeedsOf(fuzz);
    const isWah = (cell: DriverLink) => cell.engaged && classOf(byId, cell) === 'wah';
    const low = feeding.filter(
      (cell) => !isWah(cell) && isLow(cell) && !feeds.standsForWah(cell, isWah),
    );
    const isKept = low.length > 0 && fuzz.pickupSimulator === undefined;
    return sum + Number(feeding.some(isWah)) + Number(isKept);
  }, 0);
}

const isLow = ({ source }: DriverLink): boolean =>
  source.kind === 'voltage' && source.rOutOhm <= LOW_OHM;

const classOf = (byId: ReadonlyMap<string, Device>, { spot }: DriverLink) =>
  byId.get(spot.id)?.deviceClass;

/** Who can drive whom directly in some state. */
class FeedSearch {
  constructor(
    private readonly drivers: readonly DriverLink[],
    private readonly byId: ReadonlyMap<string, Device>,
  ) {}

  engagedFeedsOf(fuzz: Device): readonly DriverLink[] {
    return this.drivers.filter((cell) =>
      reaches(cell.next, (to) => to.spot.id === fuzz.id && to.engaged),
    );
  }

  /** An always-on box that a wah can drive: it keeps the wah from the fuzz. */
  standsForWah(cell: DriverLink, isWah: (cell: DriverLink) => boolean): boolean {
    if (this.byId.get(cell.spot.id)?.bypass !== 'alwaysOn') return false;
    return this.drivers
      .filter(isWah)
      .some((wah) => reaches(wah.next, (to) => to.spot.id === cell.spot.id));
  }
}

function reaches(start: Link, isWanted: (cell: DriverLink) => boolean): boolean {
  const seen = new Set<Link>();
  const visit = (first: Link): boolean => {
    let cell = first;
    while ((cell.kind === 'wire' || cell.kind === 'choice') && !seen.has(cell)) {
      seen.add(cell);
      if (cell.kind === 'choice' && visit(cell.on)) return true;
      cell = cell.kind === 'choice' ? cell.off : cell.next;
    }
    return cell.kind === 'driver' && isWanted(cell);
  };
  return visit(start);
}
