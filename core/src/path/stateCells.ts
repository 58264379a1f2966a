import {
  compilePath,
  pathLeadM,
  type Ladder,
  type LeadForm,
  type Load,
  type PathElement,
  type Source,
} from '../circuit';
import type { Route, RouteStep } from './route';
import type { Place } from './step';

/// A route with open switches as cells, each knowing what follows it: both ways of a switch come together
/// again in one cell, so that what lies behind it is there once.

export type Cell =
  | WireCell
  | { readonly kind: 'choice'; readonly switchId: string; readonly off: Cell; readonly on: Cell }
  | DriverCell
  | { readonly kind: 'end'; readonly load: Load }
  /** Nothing comes through. */
  | { readonly kind: 'silence' };

export interface DriverCell {
  readonly kind: 'driver';
  readonly place: Place;
  readonly engaged: boolean;
  readonly load: Load;
  readonly source: Source;
  readonly next: Cell;
}

export class WireCell {
  readonly kind = 'wire';
  readonly leadM: number;
  private readonly ladders: Partial<Record<LeadForm, Ladder>> = {};

  constructor(
    readonly elements: readonly PathElement[],
    readonly next: Cell,
  ) {
    this.leadM = pathLeadM(elements);
  }

  ladder(form: LeadForm): Ladder {
    return (this.ladders[form] ??= compilePath(this.elements, form));
  }
}

export interface CellChain {
  readonly first: Cell;
  /** Every driver, those nearer the source first. */
  readonly drivers: readonly DriverCell[];
}

export function linkCells({ steps, end }: Pick<Route, 'steps' | 'end'>): CellChain {
  const drivers: DriverCell[] = [];
  const first = link(steps, { kind: 'end', load: end.load }, drivers);
  return { first, drivers: drivers.reverse() };
}

function link(steps: readonly RouteStep[], end: Cell, drivers: DriverCell[]): Cell {
  return steps.reduceRight<Cell>((next, step) => {
    switch (step.kind) {
      case 'wire':
        return next.kind === 'wire'
          ? new WireCell([...step.elements, ...next.elements], next.next)
          : new WireCell(step.elements, next);
      case 'driver': {
        const { place, engaged, load, source } = step;
        const cell: DriverCell = { kind: 'driver', place, engaged, load, source, next };
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
  }, end);
}
