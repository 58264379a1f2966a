/// Random numbers that are named: the same seed, name and draw give the same number wherever they are asked.

/** FNV-1a over UTF-16 units. */
export function hashOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++)
    hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash;
}

/** Mixes 32 bits so that neighbouring inputs give unrelated outputs (the finaliser of MurmurHash3). */
export function mix(value: number): number {
  let h = value >>> 0;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** A source of standard normal numbers by name and draw. */
export class NamedNormals {
  private readonly hashes = new Map<string, number>();

  constructor(private readonly seed: number) {}

  /** Box–Muller from two mixed words. @param draw 0, 1, 2 … */
  normal(name: string, draw: number): number {
    let hash = this.hashes.get(name);
    if (hash === undefined) this.hashes.set(name, (hash = hashOf(`${this.seed} ${name}`)));
    const first = mix(hash + Math.imul(draw, 0x9e3779b1));
    const second = mix(first ^ 0x5bd1e995);
    const u = (first + 0.5) / 2 ** 32;
    return Math.sqrt(-2 * Math.log(u)) * Math.cos((2 * Math.PI * second) / 2 ** 32);
  }
}
