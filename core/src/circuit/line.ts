import type { LadderState } from './ladderState';

export interface UniformLine {
  readonly lengthM: number;
  readonly rPerM: number;
  readonly lPerM: number;
  readonly cPerM: number;
  readonly lossTangent: number;
}

/**
 * Takes the ladder's row vector through a uniform line:
 * [cosh γℓ, Z0 sinh γℓ; sinh γℓ / Z0, cosh γℓ] with γ = √((R'+jωL')(G'+jωC')), G' = ωC'·tan δ.
 *
 * Written with γℓ = √(z·y), z and y the line's whole series impedance and shunt admittance, so that
 * Z0·sinh γℓ = z·sinhc(γℓ) and sinh γℓ / Z0 = y·sinhc(γℓ), sinhc(x) = sinh(x)/x. Both cosh and sinhc are
 * even in γℓ and hence power series in γℓ² = z·y, which needs no complex root and stays exact for
 * short lines. The series runs until it no longer changes, also for a kilometre of the worst conductor a field accepts.
 *
 * Source: Desoer & Kuh, Basic Circuit Theory (1969), ch. 17; uniform line.
 */
export function stepLine(line: UniformLine, omega: Float64Array, { rows }: LadderState): void {
  for (let i = 0; i < omega.length; i++) {
    const w = omega[i]!;
    const zRe = line.rPerM * line.lengthM;
    const zIm = w * line.lPerM * line.lengthM;
    const yIm = w * line.cPerM * line.lengthM;
    const yRe = yIm * line.lossTangent;
    const [coshRe, coshIm, sincRe, sincIm] = evenSeries(
      zRe * yRe - zIm * yIm,
      zRe * yIm + zIm * yRe,
    );
    const bRe = zRe * sincRe - zIm * sincIm;
    const bIm = zRe * sincIm + zIm * sincRe;
    const cRe = yRe * sincRe - yIm * sincIm;
    const cIm = yRe * sincIm + yIm * sincRe;
    const at = 4 * i;
    const d0 = rows[at]!;
    const d1 = rows[at + 1]!;
    const n0 = rows[at + 2]!;
    const n1 = rows[at + 3]!;
    rows[at] = d0 * coshRe - d1 * coshIm + n0 * cRe - n1 * cIm;
    rows[at + 1] = d0 * coshIm + d1 * coshRe + n0 * cIm + n1 * cRe;
    rows[at + 2] = d0 * bRe - d1 * bIm + n0 * coshRe - n1 * coshIm;
    rows[at + 3] = d0 * bIm + d1 * bRe + n0 * coshIm + n1 * coshRe;
  }
}

const series: [number, number, number, number] = [0, 0, 0, 0];
const MOST_TERMS = 400;

/** cosh √u and sinh √u / √u of a complex u, as [re, im, re, im]; the array is used again at each call. */
function evenSeries(uRe: number, uIm: number): readonly [number, number, number, number] {
  let termRe = 1,
    termIm = 0;
  let coshRe = 1,
    coshIm = 0,
    sincRe = 1,
    sincIm = 0;
  for (let k = 1; k < MOST_TERMS; k++) {
    const scale = 1 / ((2 * k - 1) * (2 * k));
    const re = (termRe * uRe - termIm * uIm) * scale;
    termIm = (termRe * uIm + termIm * uRe) * scale;
    termRe = re;
    coshRe += termRe;
    coshIm += termIm;
    sincRe += termRe / (2 * k + 1);
    sincIm += termIm / (2 * k + 1);
    if (Math.abs(termRe) + Math.abs(termIm) < 1e-18) break;
  }
  series[0] = coshRe;
  series[1] = coshIm;
  series[2] = sincRe;
  series[3] = sincIm;
  return series;
}
