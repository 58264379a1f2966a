/** The least of many, by two keys: states by what they cost, and by a second number among equals; then by how little is left. */
export class Heap {
  #states = new Int32Array(256);
  #first = new Float64Array(256);
  #second = new Float64Array(256);
  #left = new Float64Array(256);
  #size = 0;
  #lastFirst = 0;
  #lastSecond = 0;

  get size(): number {
    return this.#size;
  }

  /** The keys of what was taken out last. */
  get lastFirst(): number {
    return this.#lastFirst;
  }

  get lastSecond(): number {
    return this.#lastSecond;
  }

  clear(): void {
    this.#size = 0;
  }

  push(state: number, first: number, second: number, left: number): void {
    if (this.#size === this.#states.length) this.#grow();
    let at = this.#size++;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!this.#isLess(state, first, second, left, up)) break;
      this.#copy(up, at);
      at = up;
    }
    this.#put(at, state, first, second, left);
  }

  /** Takes the least one out; there has to be one. */
  pop(): number {
    const least = this.#states[0]!;
    this.#lastFirst = this.#first[0]!;
    this.#lastSecond = this.#second[0]!;
    const last = --this.#size;
    this.#sink(last);
    return least;
  }

  /** Puts the one at a place in from the root down. */
  #sink(from: number): void {
    const [state, first] = [this.#states[from]!, this.#first[from]!];
    const [second, left] = [this.#second[from]!, this.#left[from]!];
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= this.#size) break;
      if (child + 1 < this.#size && this.#isBefore(child + 1, child)) child++;
      if (this.#isLess(state, first, second, left, child)) break;
      this.#copy(child, at);
      at = child;
    }
    this.#put(at, state, first, second, left);
  }

  #isBefore(a: number, b: number): boolean {
    const [state, first] = [this.#states[a]!, this.#first[a]!];
    return this.#isLess(state, first, this.#second[a]!, this.#left[a]!, b);
  }

  #put(at: number, state: number, first: number, second: number, left: number): void {
    this.#states[at] = state;
    this.#first[at] = first;
    this.#second[at] = second;
    this.#left[at] = left;
  }

  #copy(from: number, to: number): void {
    const [state, first] = [this.#states[from]!, this.#first[from]!];
    this.#put(to, state, first, this.#second[from]!, this.#left[from]!);
  }

  /** Equal ones by their number, so that the order never depends on how they came in. */
  #isLess(state: number, first: number, second: number, left: number, than: number): boolean {
    if (first !== this.#first[than]) return first < this.#first[than]!;
    if (second !== this.#second[than]) return second < this.#second[than]!;
    if (left !== this.#left[than]) return left < this.#left[than]!;
    return state < this.#states[than]!;
  }

  #grow(): void {
    const size = 2 * this.#states.length;
    const old = [this.#states, this.#first, this.#second, this.#left] as const;
    this.#states = new Int32Array(size);
    this.#first = new Float64Array(size);
    this.#second = new Float64Array(size);
    this.#left = new Float64Array(size);
    this.#states.set(old[0]);
    this.#first.set(old[1]);
    this.#second.set(old[2]);
    this.#left.set(old[3]);
  }
}
