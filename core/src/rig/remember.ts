/**
 * A function of one object that gives the same answer, by identity, for the same object: parts of a rig that
 * an edit leaves alone stay the same objects, and so do the circuits made of them.
 */
export function remember<Key extends object, Value>(
  make: (key: Key) => Value,
): (key: Key) => Value {
  const known = new WeakMap<Key, Value>();
  return (key) => {
    const before = known.get(key);
    if (before !== undefined) return before;
    const value = make(key);
    known.set(key, value);
    return value;
  };
}

/** The same of two objects. */
export function rememberPair<One extends object, Other extends object, Value>(
  make: (one: One, other: Other) => Value,
): (one: One, other: Other) => Value {
  const ofOne = remember((one: One) => remember((other: Other) => make(one, other)));
  return (one, other) => ofOne(one)(other);
}
