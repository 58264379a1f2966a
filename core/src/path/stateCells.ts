import {
  compilePath,
  equivalentM,
  type Ladder,
  type CableForm,
  type Load,
  type PathElement,
  type Source,
} from '../circuit';
import type { Route, RouteStep } from './route';
import type { Spot } from './step';

/// A route with open switches as cells, each knowing what follows it: both ways of a switch come together
/// again in one cell, so that what lies after it is there once.

export type Cell =
  | WireCell
  | { readonly kind: 'choice'; readonly switchId: string; readonly off: Cell; readonly on: Cell }
  | DriverCell
  | { readonly kind: 'destination'; readonly load: Load }
  /** Nothing comes through. */
  | { readonly kind: 'silence' };

export interface DriverCell {
  readonly kind: 'driver';
  readonly spot: Spot;
  readonly engaged: boolean;
  readonly load: Load;
  readonly source: Source;
  readonly next: Cell;
}

export class WireCell {
  readonly kind = 'wire';
  /** What its cables count as, m. */
  readonly equivalentM: number;
  private readonly ladders: Partial<Record<CableForm, Ladder>> = {};

  constructor(
    readonly elements: readonly PathElement[],
    readonly next: Cell,
  ) {
    this.equivalentM = equivalentM(elements);
  }

  ladder(form: CableForm): Ladder {
    return (this.ladders[form] ??= compilePath(this.elements, form));
  }
}

export interface CellChain {
  readonly first: Cell;
  /** Every driver, those nearer the source first. */
  readonly drivers: readonly DriverCell[];
}

export function linkCells({ steps, destination }: Pick<Route, 'steps' | 'destination'>): CellChain {
  const drivers: DriverCell[] = [];
  const first = link(steps, { kind: 'destination', load: destination.load }, drivers);
  return { first, drivers: drivers.reverse() };
}

function link(steps: readonly RouteStep[], destination: Cell, drivers: DriverCell[]): Cell {
  return steps.reduceRight<Cell>((next, step) => {
    switch (step.kind) {
      case 'wire':
        return next.kind === 'wire'
          ? new WireCell([...step.elements, ...next.elements], next.next)
          : new WireCell(step.elements, next);
      case 'driver': {
        const { spot, engaged, load, source } = step;
        const cell: DriverCell = { kind: 'driver', spot, engaged, load, source, next };
        drivers.push(cell);
        return cell;
      }
      case 'mute':
      case 'gap':
        return { kind: 'silence' };
      case 'choice': {
        const { switchId } = step;
        return {
          kind: 'choice',
          switchId,
          off: link(step.off, next, drivers),
          on: link(step.on, next, drivers),
        };
      }
    }
  }, destination);
}
