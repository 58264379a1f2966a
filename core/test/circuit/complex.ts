/// Complex numbers as objects, for slow and plain cross-checks of the solver.

export interface Complex {
  readonly re: number;
  readonly im: number;
}

export const c = (re: number, im = 0): Complex => ({ re, im });
export const add = (...all: readonly Complex[]): Complex =>
  all.reduce((a, b) => c(a.re + b.re, a.im + b.im));
export const mul = (a: Complex, b: Complex): Complex =>
  c(a.re * b.re - a.im * b.im, a.re * b.im + a.im * b.re);
export const inv = (a: Complex): Complex => {
  const s = 1 / (a.re * a.re + a.im * a.im);
  return c(a.re * s, -a.im * s);
};
export const div = (a: Complex, b: Complex): Complex => mul(a, inv(b));
export const parallel = (...all: readonly Complex[]): Complex => inv(add(...all.map(inv)));
export const exp = (a: Complex): Complex =>
  c(Math.exp(a.re) * Math.cos(a.im), Math.exp(a.re) * Math.sin(a.im));
export const sqrt = (a: Complex): Complex => {
  const r = Math.sqrt(Math.hypot(a.re, a.im));
  const half = Math.atan2(a.im, a.re) / 2;
  return c(r * Math.cos(half), r * Math.sin(half));
};
export const size = (a: Complex): number => Math.hypot(a.re, a.im);
/** Distance relative to the larger of the two. */
export const apart = (a: Complex, b: Complex): number =>
  size(c(a.re - b.re, a.im - b.im)) / Math.max(size(a), size(b), 1e-300);
