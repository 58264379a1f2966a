import type { Load, PathElement, PickupSource, Section } from '../../src/circuit';
import { add, c, div, inv, mul, parallel, type Complex } from './complex';

/// Sections solved from the load backwards in complex objects: admittance and voltage ratio.

class Backwards {
  ratio = c(1);

  constructor(public y: Complex) {}

  series(z: Complex): void {
    const drop = add(c(1), mul(z, this.y));
    this.ratio = div(this.ratio, drop);
    this.y = div(this.y, drop);
  }

  shunt(more: Complex): void {
    this.y = add(this.y, more);
  }
}

const loadY = (load: Load, w: number): Complex =>
  add(
    c(1 / load.rOhm, w * load.cF),
    load.grid ? inv(c(load.grid.stopperOhm, -1 / (w * load.grid.millerF))) : c(0),
  );

function pathBackwards(path: readonly PathElement[], load: Load, w: number): Backwards {
  const at = new Backwards(loadY(load, w));
  for (const item of [...path].reverse()) {
    if (item.kind === 'series') at.series(c(item.rOhm));
    else if (item.kind === 'shunt')
      at.shunt(c(item.rOhm === null ? 0 : 1 / item.rOhm, w * item.cF));
    else if (item.kind === 'pot') {
      at.shunt(c(1 / (item.rOhm * item.wiper)));
      at.series(c(item.rOhm * (1 - item.wiper)));
    } else if (item.kind === 'branch') at.shunt(pathBackwards(item.path, item.load, w).y);
    else if (item.kind === 'coil') at.series(c(item.rOhm, w * item.lH));
    else {
      const all = w * item.cPerMF * item.lengthM;
      at.shunt(c(all * item.lossTangent, all + w * item.plugsF));
    }
  }
  return at;
}

const winding = ({ rDcOhm, lH, rEddyOhm }: PickupSource, w: number): Complex =>
  add(c(rDcOhm), rEddyOhm === null ? c(0, w * lH) : parallel(c(0, w * lH), c(rEddyOhm)));

function throughPickup(at: Backwards, pickup: PickupSource, w: number): void {
  const { volume, tone } = pickup.controls;
  const track = c(volume!.potOhm * (1 - volume!.wiper));
  const ground = c(1 / (volume!.potOhm * volume!.wiper));
  if (volume!.reversed) {
    at.series(track);
    at.shunt(ground);
  } else {
    at.shunt(ground);
    at.series(track);
  }
  at.shunt(inv(c(tone!.potOhm * tone!.remaining, -1 / (w * tone!.cF))));
  at.shunt(c(0, w * pickup.cWindingF));
  at.series(winding(pickup, w));
}

/** What a pickup with its e shorted shows at its output. */
function impedanceOf(pickup: PickupSource, w: number): Complex {
  const { volume, tone } = pickup.controls;
  let y = add(inv(winding(pickup, w)), c(0, w * pickup.cWindingF));
  y = add(y, inv(c(tone!.potOhm * tone!.remaining, -1 / (w * tone!.cF))));
  const track = c(volume!.potOhm * (1 - volume!.wiper));
  const ground = c(1 / (volume!.potOhm * volume!.wiper));
  if (volume!.reversed) return add(inv(add(y, ground)), track);
  return inv(add(inv(add(inv(y), track)), ground));
}

/** V_load / e. Two pickups by superposition: each one drives while the other is its impedance alone. */
export function solveBackwards({ source, path, load }: Section, w: number): Complex {
  if (source.kind === 'pair') {
    const { first, second, sign, joint } = source;
    const alone = (own: PickupSource, other: PickupSource): Complex => {
      const at = pathBackwards(path, load, w);
      if (joint === 'parallel') at.shunt(inv(impedanceOf(other, w)));
      else at.series(impedanceOf(other, w));
      throughPickup(at, own, w);
      return at.ratio;
    };
    return add(alone(first, second), mul(c(sign), alone(second, first)));
  }
  const at = pathBackwards(path, load, w);
  if (source.kind === 'voltage') {
    at.series(c(source.rOutOhm));
    return mul(c(source.gain), at.ratio);
  }
  if (source.kind === 'piezo') at.series(c(0, -1 / (w * source.cF)));
  else throughPickup(at, source, w);
  return at.ratio;
}
