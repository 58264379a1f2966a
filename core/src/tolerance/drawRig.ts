import type { Lead } from '../gear';
import { FIELD_RULES, readNumber, writeAt, type PartKind, type Rig } from '../rig';
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

/** Leads of one kind and one C' come off one reel: they are off together. */
/** The name under which a value of a part is drawn: what shares a name is off together. */
export const drawnName =
  (of: PartKind, part: { readonly id: string }) =>
  (path: string): string =>
    of === 'lead' && path === 'cPerMF' ? reelOf(part as unknown as Lead) : `${part.id} ${path}`;

const reelOf = ({ leadClass, cPerMF }: Lead): string => `reel ${leadClass} ${cPerMF.value}`;

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
    private readonly rig: Rig,
    private readonly normals: NamedNormals,
  ) {}

  /** @param draw 0, 1, 2 … */
  draw(draw: number): Rig {
    const { rig } = this;
    return {
      ...rig,
      guitars: rig.guitars.map((guitar) => this.drawPart('guitar', guitar, draw)),
      rows: rig.rows.map((row) => ({
        ...row,
        devices: row.devices.map((device) => this.drawPart('device', device, draw)),
        leads: row.leads.map((lead) => lead && this.drawPart('lead', lead, draw)),
      })),
      ends: rig.ends.map((end) => this.drawPart('end', end, draw)),
    };
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
