import { type Cable, FIELD_RULES, type PartKind } from '../gear';
import { readNumber, writeAt, type Chain, withElectrical } from '../rig';
import type { NamedNormals } from './random';
import { toleranceOf } from './tolerances';

/** A value of a rig that may be off: where it is written, and under which name it is drawn. */
export interface LooseValue {
  readonly path: string;
  readonly name: string;
  /** σ of its logarithm. */
  readonly sigma: number;
  readonly min: number;
  readonly max: number;
}

/** Cables of one kind and one C' come off one reel: they are off together. */
/** The name under which a value of a part is drawn: what shares a name is off together. */
export const drawnName =
  (of: PartKind, part: { readonly id: string }) =>
  (path: string): string =>
    of === 'cable' && path === 'cPerMF' ? reelOf(part as unknown as Cable) : `${part.id} ${path}`;

const reelOf = ({ cableClass, cPerMF }: Cable): string => `reel ${cableClass} ${cPerMF.value}`;

export function looseValues(
  of: PartKind,
  part: object,
  name: (path: string) => string,
): readonly LooseValue[] {
  return Object.entries(FIELD_RULES[of]).flatMap(([path, { min, max }]) => {
    const value = readNumber(part, path);
    if (!value || value.value === 0) return [];
    const share = toleranceOf(of, path, value);
    return share === 0 ? [] : [{ path, name: name(path), sigma: Math.log1p(share) / 2, min, max }];
  });
}

/**
 * Draws rigs whose values are off by their tolerances. A part has the same id in every plan of a rig and
 * hence the same draw; so plans can be compared draw by draw.
 */
export class RigDrawer {
  private readonly loose = new Map<object, readonly LooseValue[]>();

  constructor(
    private readonly rig: Chain,
    private readonly normals: NamedNormals,
  ) {}

  /** @param draw 0, 1, 2 … */
  draw(draw: number): Chain {
    const { rig } = this;
    return withElectrical(rig, {
      guitars: rig.electrical.guitars.map((guitar) => this.drawPart('guitar', guitar, draw)),
      rows: rig.electrical.rows.map((row) => ({
        ...row,
        devices: row.devices.map((device) => this.drawPart('device', device, draw)),
        cables: row.cables.map((cable) => cable && this.drawPart('cable', cable, draw)),
      })),
      destinations: rig.electrical.destinations.map((destination) =>
        this.drawPart('destination', destination, draw),
      ),
    });
  }

  private drawPart<T extends { readonly id: string }>(of: PartKind, part: T, draw: number): T {
    let drawn = part;
    for (const { path, name, sigma, min, max } of this.looseOf(of, part)) {
      const before = readNumber(part, path)!;
      const value = before.value * Math.exp(sigma * this.normals.normal(name, draw));
      drawn = writeAt(drawn, path, { ...before, value: Math.min(max, Math.max(min, value)) });
    }
    return drawn;
  }

  private looseOf(of: PartKind, part: { readonly id: string }): readonly LooseValue[] {
    let known = this.loose.get(part);
    if (!known) {
      known = looseValues(of, part, drawnName(of, part));
      this.loose.set(part, known);
    }
    return known;
  }
}
