/// Documents of earlier formats before anything is known of them: what is not an object of the shape it claims is
/// handed on as it is, for the reader to refuse in words.

export type Json = Readonly<Record<string, unknown>>;

export const isJson = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

export const each = (list: unknown, change: (thing: Json, index: number) => unknown): unknown =>
  Array.isArray(list) ? list.map((thing, i) => (isJson(thing) ? change(thing, i) : thing)) : list;

/** Every value of an object changed; anything else comes back as it is. */
export const eachValue = (value: unknown, change: (inner: unknown) => unknown): unknown =>
  isJson(value)
    ? Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, change(inner)]))
    : value;
