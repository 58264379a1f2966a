import type { Layer } from '../../rig';
import type { Rect } from '../rect';

/// What a cable is laid through. Any unit of length; the board uses mm.

export type Heading = 'right' | 'back' | 'left' | 'front';
export const HEADINGS: readonly Heading[] = ['right', 'back', 'left', 'front'];

/** Where a cable begins or ends: where its plug ends, and the direction in which that plug lets it go. */
export interface RouteEnd {
  readonly x: number;
  readonly y: number;
  readonly leaves: Heading;
  readonly layer: Layer;
}

/** A line along which cables are tied: parallel to the front edge. */
export interface LaneLine {
  readonly layer: Layer;
  readonly y: number;
  readonly x0: number;
  readonly x1: number;
}

export interface Terrain {
  /** Cables stay in here, its edges included. */
  readonly area: Rect;
  /** Grown by the clearance: a cable may run along their edge but not through their inside. */
  readonly obstacles: Readonly<Record<Layer, readonly Rect[]>>;
  /** Where a cable may change from one layer to the other, their edges included. */
  readonly openings: readonly Rect[];
  readonly lanes: readonly LaneLine[];
  /** What a bend and a change of layer cost, as lengths. */
  readonly bend: number;
  readonly passage: number;
  /** How far beside itself a cable goes back that has to turn round: nothing can be bent to a point. */
  readonly loop: number;
  /** What a length along a lane costs, as a share of it: up to 1. */
  readonly laneShare: number;
}

export interface RoutePoint {
  readonly x: number;
  readonly y: number;
  readonly layer: Layer;
}

export interface Route {
  readonly cost: number;
  readonly length: number;
  readonly passages: number;
  readonly bends: number;
  /** From end to end; where the layer changes, the same place stands twice. */
  readonly points: readonly RoutePoint[];
}

export const LAYERS: readonly Layer[] = ['top', 'under'];

/** A fixed order of two ends, so that both directions are one question. */
export const isBehind = (a: RouteEnd, b: RouteEnd): boolean =>
  a.x !== b.x ? a.x > b.x : a.y !== b.y ? a.y > b.y : a.layer === 'under' && b.layer === 'top';
