import { wantsPickup, type Device } from '../gear';
import type { Link, OpenWay } from './openWay';

/** A last cable that is driven from more than this is driven weakly, Ω. */
const WEAK_END_OHM = 2000;

/**
 * How many ends of the board no low impedance drives in some state of the switches: first, where the pickup
 * drives more than the cable to the first box (a low-impedance fuzz may stand before it); after, where the
 * last cable is driven weakly.
 *
 * @param fixed switches that stand still
 */
export function openEnds(
  devices: ReadonlyMap<string, Device>,
  { first, drivers }: OpenWay,
  fixed: ReadonlyMap<string, boolean>,
): number {
  const isBox = (link: Link): boolean => {
    if (link.kind !== 'wire' || link.spot.kind !== 'device') return false;
    const device = devices.get(link.spot.id);
    return device !== undefined && !wantsPickup(device);
  };
  const isDestination = ({ kind }: Link): boolean => kind === 'destination';
  const weak = drivers.filter(
    ({ source }) => source.kind !== 'voltage' || source.rOutOhm > WEAK_END_OHM,
  );
  const canAct = reachedDrivers(first, fixed);
  const isWeak =
    meets(first, isDestination, fixed) ||
    weak.some((driver) => canAct.has(driver) && meets(driver.next, isDestination, fixed));
  return Number(meets(first, isBox, fixed)) + Number(isWeak);
}

/** Whether some way from here to the next driver meets such a link. */
function meets(
  start: Link,
  isWanted: (link: Link) => boolean,
  fixed: ReadonlyMap<string, boolean>,
): boolean {
  const seen = new Set<Link>();
  const visit = (link: Link): boolean => {
    if (seen.has(link)) return false;
    seen.add(link);
    if (isWanted(link)) return true;
    if (link.kind === 'wire') return visit(link.next);
    return link.kind === 'choice' && waysOf(link, fixed).some(visit);
  };
  return visit(start);
}

/** Drivers that some state of the switches lets act. */
function reachedDrivers(first: Link, fixed: ReadonlyMap<string, boolean>): ReadonlySet<Link> {
  const seen = new Set<Link>();
  const visit = (link: Link): void => {
    if (seen.has(link)) return;
    seen.add(link);
    if (link.kind === 'wire' || link.kind === 'driver') visit(link.next);
    else if (link.kind === 'choice') waysOf(link, fixed).forEach(visit);
  };
  visit(first);
  return seen;
}

function waysOf(
  { switchId, off, on }: Extract<Link, { kind: 'choice' }>,
  fixed: ReadonlyMap<string, boolean>,
): readonly Link[] {
  const stands = fixed.get(switchId);
  if (stands === undefined) return [off, on];
  return [stands ? on : off];
}
