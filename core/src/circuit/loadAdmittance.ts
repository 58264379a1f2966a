import type { Load } from './section';

const admittance: [number, number] = [0, 0];

/**
 * Conductance and susceptance of a load, S. The pair is used again at each call.
 *
 * @param omega rad/s
 */
export function loadAdmittance(load: Load, omega: number): readonly [g: number, b: number] {
  const stopper = load.grid === null ? 0 : load.grid.stopperOhm;
  const x = load.grid === null ? 0 : omega * load.grid.millerF;
  const scale = x / (1 + x * x * stopper * stopper);
  admittance[0] = 1 / load.rOhm + scale * x * stopper;
  admittance[1] = omega * load.cF + scale;
  return admittance;
}
