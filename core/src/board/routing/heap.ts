/** The least of many, by two keys: states by what they cost, and by a second number among equals. */
export class Heap {
  #states: number[] = [];
  #first: number[] = [];
  #second: number[] = [];

  get size(): number {
    return this.#states.length;
  }

  clear(): void {
    this.#states.length = this.#first.length = this.#second.length = 0;
  }

  push(state: number, first: number, second: number): void {
    let at = this.#states.length;
    this.#put(at, state, first, second);
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!this.#isLess(at, up)) return;
      this.#swap(at, up);
      at = up;
    }
  }

  /** Takes the least one out; there has to be one. */
  pop(): number {
    const least = this.#states[0]!;
    const last = this.#states.length - 1;
    this.#put(0, this.#states[last]!, this.#first[last]!, this.#second[last]!);
    this.#states.length = this.#first.length = this.#second.length = last;
    this.#sink();
    return least;
  }

  #sink(): void {
    const { length } = this.#states;
    for (let at = 0; ;) {
      const left = 2 * at + 1;
      if (left >= length) return;
      const child = left + 1 < length && this.#isLess(left + 1, left) ? left + 1 : left;
      if (!this.#isLess(child, at)) return;
      this.#swap(at, child);
      at = child;
    }
  }

  #put(at: number, state: number, first: number, second: number): void {
    this.#states[at] = state;
    this.#first[at] = first;
    this.#second[at] = second;
  }

  #swap(a: number, b: number): void {
    const [state, first, second] = [this.#states[a]!, this.#first[a]!, this.#second[a]!];
    this.#put(a, this.#states[b]!, this.#first[b]!, this.#second[b]!);
    this.#put(b, state, first, second);
  }

  /** Equal ones by their number, so that the order never depends on how they came in. */
  #isLess(a: number, b: number): boolean {
    if (this.#first[a] !== this.#first[b]) return this.#first[a]! < this.#first[b]!;
    if (this.#second[a] !== this.#second[b]) return this.#second[a]! < this.#second[b]!;
    return this.#states[a]! < this.#states[b]!;
  }
}
