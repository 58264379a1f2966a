import { wantsPickup, type Device } from '../gear';
import type { Cell, CellChain, DriverCell } from '../path';
import { allDevices, type Rig } from '../rig';

/** At or below this a driver changes what a low-impedance fuzz does, Ω. */
const LOW_OHM = 10_000;

/**
 * How often the rules about low-impedance fuzzes are broken over all states: one that something low drives
 * instead of the pickup, one that a wah drives directly. A buffer between a wah and a fuzz is the exception.
 */
export function brokenRules(rig: Rig, chain: CellChain): number {
  const devices = allDevices(rig);
  const fuzzes = devices.filter(wantsPickup);
  if (fuzzes.length === 0) return 0;
  const byId = new Map(devices.map((device) => [device.id, device]));
  const feeds = new FeedSearch(chain, byId);
  return fuzzes.reduce((sum, fuzz) => {
    const drivers = feeds.engagedFeedsOf(fuzz);
    const isWah = (cell: DriverCell) => cell.engaged && classOf(byId, cell) === 'wah';
    const low = drivers.filter(
      (cell) => !isWah(cell) && isLow(cell) && !feeds.standsForWah(cell, isWah),
    );
    return sum + Number(drivers.some(isWah)) + Number(low.length > 0);
  }, 0);
}

const isLow = ({ source }: DriverCell): boolean =>
  source.kind === 'voltage' && source.rOutOhm <= LOW_OHM;

const classOf = (byId: ReadonlyMap<string, Device>, { place }: DriverCell) =>
  byId.get(place.id)?.deviceClass;

/** Who can drive whom directly in some state. */
class FeedSearch {
  constructor(
    private readonly chain: CellChain,
    private readonly byId: ReadonlyMap<string, Device>,
  ) {}

  engagedFeedsOf(fuzz: Device): readonly DriverCell[] {
    return this.chain.drivers.filter((cell) =>
      reaches(cell.next, (to) => to.place.id === fuzz.id && to.engaged),
    );
  }

  /** An always-on box that a wah can drive: it keeps the wah from the fuzz. */
  standsForWah(cell: DriverCell, isWah: (cell: DriverCell) => boolean): boolean {
    if (this.byId.get(cell.place.id)?.bypass !== 'alwaysOn') return false;
    return this.chain.drivers
      .filter(isWah)
      .some((wah) => reaches(wah.next, (to) => to.place.id === cell.place.id));
  }
}

function reaches(start: Cell, isWanted: (cell: DriverCell) => boolean): boolean {
  const seen = new Set<Cell>();
  const visit = (first: Cell): boolean => {
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
