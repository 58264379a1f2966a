import type { Source } from '../circuit';
import { cableAsStep, routeOf, type Spot, type Route, type RouteStep } from '../path';
import {
  allDevices,
  cableAt,
  destinationAt,
  findCable,
  switchesOfDevice,
  type Rig,
  type Place,
} from '../rig';
import type { NumberedLoad, SectionNode, SectionTree, Wire } from './sectionTree';

/// A way with all its switches open as links, each knowing what follows it and where it stands in a section
/// tree: both ways of a switch come together again in one link.

export type Link =
  | WireLink
  | { readonly kind: 'choice'; readonly switchId: string; readonly off: Link; readonly on: Link }
  | DriverLink
  | { readonly kind: 'destination'; readonly load: NumberedLoad }
  | { readonly kind: 'silence' };

export interface WireLink {
  readonly kind: 'wire';
  readonly spot: Spot;
  readonly wire: Wire;
  /** Of a cable whose length depends on the place: what it is at each of them. */
  readonly laid: readonly Wire[] | null;
  readonly next: Link;
}

export interface DriverLink {
  readonly kind: 'driver';
  readonly spot: Spot;
  readonly engaged: boolean;
  readonly source: Source;
  readonly load: NumberedLoad;
  /** Where sections that it drives begin. */
  readonly root: SectionNode;
  readonly next: Link;
  /** From 1 on, in the order of the signal. */
  number: number;
}

/** From one guitar to the main end, at all places at once. */
export interface OpenWay {
  readonly root: SectionNode;
  readonly first: Link;
  readonly drivers: readonly DriverLink[];
  readonly reference: { readonly node: SectionNode; readonly load: NumberedLoad };
}

/** What a wire is at a place. */
export const wireAt = ({ wire, laid }: WireLink, place: number): Wire =>
  laid === null ? wire : laid[place]!;

/** @param places the rig is played at; none is the rig as its cables are laid */
export function openWay(
  tree: SectionTree,
  rig: Rig,
  playing: string | null,
  places: readonly Place[],
): OpenWay {
  const open = new Set(allDevices(rig).flatMap(switchesOfDevice));
  const state = { ...rig.state, playing, unpowered: [] };
  const route = routeOf({ ...rig, state }, undefined, { counted: open });
  const drivers: DriverLink[] = [];
  const destination: Link = { kind: 'destination', load: tree.loadOf(route.destination.load) };
  const first = new Linker(tree, rig, places, drivers).link(route.steps, destination);
  drivers.reverse();
  for (const [i, driver] of drivers.entries()) driver.number = i + 1;
  return {
    root: tree.rootOf(route.source.circuit),
    first,
    drivers,
    reference: referenceOf(tree, route),
  };
}

const referenceOf = (tree: SectionTree, { reference }: Route): OpenWay['reference'] => ({
  node: tree.rootOf(reference.source).then(tree.wireOf(reference.path)),
  load: tree.loadOf(reference.load),
});

class Linker {
  constructor(
    private readonly tree: SectionTree,
    private readonly rig: Rig,
    private readonly places: readonly Place[],
    private readonly drivers: DriverLink[],
  ) {}

  link(steps: readonly RouteStep[], destination: Link): Link {
    let next = destination;
    for (let i = steps.length - 1; i >= 0; i--) next = this.before(next, steps[i]!);
    return next;
  }

  private before(next: Link, step: RouteStep): Link {
    switch (step.kind) {
      case 'wire':
        return step.elements.length === 0 ? next : this.wire(step, next);
      case 'driver':
        return this.driver(step, next);
      case 'mute':
      case 'gap':
        return { kind: 'silence' };
      case 'choice': {
        const { switchId } = step;
        const [off, on] = [this.link(step.off, next), this.link(step.on, next)];
        return { kind: 'choice', switchId, off, on };
      }
    }
  }

  private driver(step: Extract<RouteStep, { kind: 'driver' }>, next: Link): DriverLink {
    const { spot, engaged, load, source } = step;
    const link: DriverLink = {
      kind: 'driver',
      spot,
      engaged,
      source,
      load: this.tree.loadOf(load),
      root: this.tree.rootOf(source),
      next,
      number: 0,
    };
    this.drivers.push(link);
    return link;
  }

  private wire(step: Extract<RouteStep, { kind: 'wire' }>, next: Link): WireLink {
    const { spot, elements } = step;
    const { tree, places, rig } = this;
    const isNamed =
      spot.kind === 'cable' && places.some(({ lengths }) => lengths[spot.id] !== undefined);
    const cable = isNamed ? findCable(rig, spot.id) : undefined;
    const laid = cable
      ? places.map((at) => tree.wireOf(cableAsStep(cableAt(cable, at)).elements))
      : null;
    return { kind: 'wire', spot, wire: tree.wireOf(elements), laid, next };
  }
}

/** Whether a place changes what is only felt as a load: a cable beside the way, or the amp. Then the way itself is another. */
export const changesLoads = ({ electrical }: Rig, place: Place): boolean =>
  destinationAt(electrical, place) !== electrical.destinations[0] ||
  electrical.rows.some(
    ({ at, cables }) =>
      at.kind === 'side' && cables.some((cable) => cable && place.lengths[cable.id] !== undefined),
  );
