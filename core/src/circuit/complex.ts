/// Complex numbers for the borders of the solver; its loops work on interleaved arrays.

export type Complex = readonly [re: number, im: number];

export const times = (a: Complex, b: Complex): Complex => [
  a[0] * b[0] - a[1] * b[1],
  a[0] * b[1] + a[1] * b[0],
];
export const plus = (a: Complex, b: Complex): Complex => [a[0] + b[0], a[1] + b[1]];
export const scaled = (a: Complex, by: number): Complex => [a[0] * by, a[1] * by];
export const sizeOfComplex = (a: Complex): number => Math.hypot(a[0], a[1]);

export function over(a: Complex, b: Complex): Complex {
  const scale = 1 / (b[0] * b[0] + b[1] * b[1]);
  return [(a[0] * b[0] + a[1] * b[1]) * scale, (a[1] * b[0] - a[0] * b[1]) * scale];
}
