import { compilePath, equivalentM, lumpedLimitM, type Load, type PathElement } from '../circuit';
import type { Ladder, CableForm, Source } from '../circuit';

/// All driven sections that any candidate of a search has, as one tree: a root for each source, a branch for
/// each piece of wire after the one before. Candidates that share a beginning share its nodes, and what was
/// measured at a node under a load is never measured again.

/** A piece of a way with a number: the same one for the same content, whoever made it. */
export interface Wire {
  readonly number: number;
  /** What its cables count as, m. */
  readonly equivalentM: number;
  readonly elements: readonly PathElement[];
  readonly ladder: (form: CableForm) => Ladder;
}

/** What ends a section, with a number. */
export interface NumberedLoad {
  readonly number: number;
  readonly load: Load;
}

export class SectionNode {
  readonly depth: number;
  readonly equivalentM: number;
  private readonly children = new Map<number, SectionNode>();
  /** Measured values by what measures and the number of the load. */
  readonly values = new Map<number, unknown>();

  constructor(
    readonly source: Source,
    readonly parent: SectionNode | null,
    readonly wire: Wire | null,
  ) {
    this.depth = parent ? parent.depth + 1 : 0;
    this.equivalentM = (parent?.equivalentM ?? 0) + (wire?.equivalentM ?? 0);
  }

  /** Too long for cables as capacitances, where it ends in this load. */
  isLong(load: Load): boolean {
    return this.equivalentM > lumpedLimitM(this.source, load);
  }

  then(wire: Wire): SectionNode {
    let child = this.children.get(wire.number);
    if (!child) {
      child = new SectionNode(this.source, this, wire);
      this.children.set(wire.number, child);
    }
    return child;
  }

  /** The wires from the source to here. */
  wires(): readonly Wire[] {
    return this.parent && this.wire ? [...this.parent.wires(), this.wire] : [];
  }
}

/** Numbers by identity where the same object comes again, by value where only its content does. */
class Numbering<Key extends object, Value> {
  private readonly byIdentity = new WeakMap<Key, Value>();
  private readonly byValue = new Map<string, Value>();

  constructor(private readonly make: (key: Key, number: number) => Value) {}

  of(key: Key): Value {
    const known = this.byIdentity.get(key);
    if (known !== undefined) return known;
    const text = JSON.stringify(key);
    let value = this.byValue.get(text);
    if (value === undefined) {
      value = this.make(key, this.byValue.size);
      this.byValue.set(text, value);
    }
    this.byIdentity.set(key, value);
    return value;
  }
}

export class SectionTree {
  private readonly roots = new Numbering<Source, SectionNode>(
    (source) => new SectionNode(source, null, null),
  );
  private readonly wires = new Numbering<readonly PathElement[], Wire>((elements, number) => {
    const ladders: Partial<Record<CableForm, Ladder>> = {};
    const ladder = (form: CableForm) => (ladders[form] ??= compilePath(elements, form));
    return { number, equivalentM: equivalentM(elements), elements, ladder };
  });
  private readonly loads = new Numbering<Load, NumberedLoad>((load, number) => ({ number, load }));

  rootOf(source: Source): SectionNode {
    return this.roots.of(source);
  }

  wireOf(elements: readonly PathElement[]): Wire {
    return this.wires.of(elements);
  }

  loadOf(load: Load): NumberedLoad {
    return this.loads.of(load);
  }
}
