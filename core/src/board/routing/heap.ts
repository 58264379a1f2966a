/** The least of many, by two keys: states by what they cost, and by a second number among equals. */
export class Heap {
  #states = new Int32Array(256);
  #first = new Float64Array(256);
  #second = new Float64Array(256);
  #size = 0;
  #lastFirst = 0;

  get size(): number {
    return this.#size;
  }

  /** The first key of what was taken out last. */
  get lastFirst(): number {
    return this.#lastFirst;
  }

  clear(): void {
    this.#size = 0;
  }

  push(state: number, first: number, second: number): void {
    if (this.#size === this.#states.length) this.#grow();
    let at = this.#size++;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!this.#isLess(state, first, second, up)) break;
      this.#copy(up, at);
      at = up;
    }
    this.#put(at, state, first, second);
  }

  /** Takes the least one out; there has to be one. */
  pop(): number {
    const least = this.#states[0]!;
    this.#lastFirst = this.#first[0]!;
    const last = --this.#size;
    this.#sink(this.#states[last]!, this.#first[last]!, this.#second[last]!);
    return least;
  }

  /** Puts one in from the root down. */
  #sink(state: number, first: number, second: number): void {
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= this.#size) break;
      const right = child + 1;
      if (
        right < this.#size &&
        this.#isLess(this.#states[right]!, this.#first[right]!, this.#second[right]!, child)
      )
        child = right;
      if (this.#isLess(state, first, second, child)) break;
      this.#copy(child, at);
      at = child;
    }
    this.#put(at, state, first, second);
  }

  #put(at: number, state: number, first: number, second: number): void {
    this.#states[at] = state;
    this.#first[at] = first;
    this.#second[at] = second;
  }

  #copy(from: number, to: number): void {
    this.#put(to, this.#states[from]!, this.#first[from]!, this.#second[from]!);
  }

  /** Equal ones by their number, so that the order never depends on how they came in. */
  #isLess(state: number, first: number, second: number, than: number): boolean {
    if (first !== this.#first[than]) return first < this.#first[than]!;
    if (second !== this.#second[than]) return second < this.#second[than]!;
    return state < this.#states[than]!;
  }

  #grow(): void {
    const size = 2 * this.#states.length;
    const [states, first, second] = [this.#states, this.#first, this.#second];
    this.#states = new Int32Array(size);
    this.#first = new Float64Array(size);
    this.#second = new Float64Array(size);
    this.#states.set(states);
    this.#first.set(first);
    this.#second.set(second);
  }
}
