import { group } from './composeBranch';
import { applyEdits, type Edit } from './edits';
import type { Rig } from './rig';

/** Edits of which each is made of the rig as it is by then, as one. */
export class Steps {
  readonly #done: Edit[] = [];
  #now: Rig;

  constructor(rig: Rig) {
    this.#now = rig;
  }

  /** The rig as it is by now. */
  get rig(): Rig {
    return this.#now;
  }

  do(make: (now: Rig) => Edit): this {
    const edit = make(this.#now);
    this.#done.push(edit);
    this.#now = applyEdits(this.#now, edit);
    return this;
  }

  get edit(): Edit {
    return group(...this.#done);
  }
}
