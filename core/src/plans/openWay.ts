import type { Source } from '../circuit';
import { leadAsStep, routeOf, type Place, type Route, type RouteStep } from '../path';
import { allDevices, findLead, switchesOfDevice, type Rig, type Situation } from '../rig';
import { leadAt } from './layAt';
import type { NumberedLoad, SectionNode, SectionTree, Wire } from './sectionTree';

/// A way with all its switches open as links, each knowing what follows it and where it stands in a section
/// tree: both ways of a switch come together again in one link.

export type Link =
  | WireLink
  | { readonly kind: 'choice'; readonly switchId: string; readonly off: Link; readonly on: Link }
  | DriverLink
  | { readonly kind: 'end'; readonly load: NumberedLoad }
  | { readonly kind: 'silence' };

export interface WireLink {
  readonly kind: 'wire';
  readonly place: Place;
  readonly wire: Wire;
  /** Of a lead whose length depends on the place: what it is at each of them. */
  readonly laid: readonly Wire[] | null;
  readonly next: Link;
}

export interface DriverLink {
  readonly kind: 'driver';
  readonly place: Place;
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

/** @param places the rig is played at; none is the rig as its leads are laid */
export function openWay(
  tree: SectionTree,
  rig: Rig,
  playing: string | null,
  places: readonly Situation[],
): OpenWay {
  const open = new Set(allDevices(rig).flatMap(switchesOfDevice));
  const standing = { ...rig.standing, playing, powered: true };
  const route = routeOf({ ...rig, standing }, undefined, open);
  const drivers: DriverLink[] = [];
  const end: Link = { kind: 'end', load: tree.loadOf(route.end.load) };
  const first = new Linker(tree, rig, places, drivers).link(route.steps, end);
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
    private readonly places: readonly Situation[],
    private readonly drivers: DriverLink[],
  ) {}

  link(steps: readonly RouteStep[], end: Link): Link {
    let next = end;
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
    const { place, engaged, load, source } = step;
    const link: DriverLink = {
      kind: 'driver',
      place,
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
    const { place, elements } = step;
    const { tree, places, rig } = this;
    const isNamed =
      place.kind === 'lead' && places.some(({ lengths }) => lengths[place.id] !== undefined);
    const lead = isNamed ? findLead(rig, place.id) : undefined;
    const laid = lead
      ? places.map((at) => tree.wireOf(leadAsStep(leadAt(lead, at)).elements))
      : null;
    return { kind: 'wire', place, wire: tree.wireOf(elements), laid, next };
  }
}

/** Whether a place changes leads that are only felt as a load on the line: then the way itself is another. */
export const changesLoads = (rig: Rig, { lengths }: Situation): boolean =>
  rig.rows.some(
    ({ at, leads }) =>
      at.kind === 'side' && leads.some((lead) => lead && lengths[lead.id] !== undefined),
  );
