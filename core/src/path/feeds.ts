import type { Load, Source } from '../circuit';
import type { Route } from './route';
import { linkCells, type Cell, type DriverCell } from './stateCells';
import type { Spot } from './step';

/** One driver that can drive an input directly in some state of the switches. */
export interface Feed {
  readonly from: Spot;
  /** Null for the source of the route. */
  readonly engaged: boolean | null;
  readonly source: Source;
  /** Whose input it reaches. */
  readonly to: Spot;
  readonly toEngaged: boolean;
  readonly load: Load;
}

/** Who can drive whom, over all positions of the switches that the route leaves open. */
export function feedsOf(route: Route): readonly Feed[] {
  const { first, drivers } = linkCells(route);
  const feeds: Feed[] = [];
  const follow = (from: DriverCell | null, start: Cell) => {
    const seen = new Set<Cell>();
    const visit = (cell: Cell): void => {
      if (seen.has(cell)) return;
      seen.add(cell);
      if (cell.kind === 'wire') visit(cell.next);
      else if (cell.kind === 'choice') [cell.off, cell.on].forEach(visit);
      else if (cell.kind !== 'silence') feeds.push(feed(route, from, cell));
    };
    visit(start);
  };
  follow(null, first);
  for (const cell of drivers) follow(cell, cell.next);
  return feeds;
}

function feed(
  { source, destination }: Route,
  from: DriverCell | null,
  to: Extract<Cell, { kind: 'driver' | 'destination' }>,
): Feed {
  return {
    from: from?.spot ?? source.spot,
    engaged: from?.engaged ?? null,
    source: from?.source ?? source.circuit,
    to: to.kind === 'destination' ? destination.spot : to.spot,
    toEngaged: to.kind === 'driver' && to.engaged,
    load: to.load,
  };
}
