import type { GearDescriptor, PlaceList } from './descriptor';

/// What a thing of the gear list is made of, as a tree: for whoever reads or describes it from outside.

export type ShapeNode =
  | { readonly kind: 'number' }
  | { readonly kind: 'words'; readonly words: readonly (string | boolean)[] }
  | { readonly kind: 'count'; readonly most: number }
  | { readonly kind: 'text'; readonly most: number }
  | { readonly kind: 'places'; readonly of: PlaceList }
  | {
      readonly kind: 'group';
      readonly presence: 'always' | 'nullable' | 'optional';
      readonly fields: Shape;
    };

export type Shape = Readonly<Record<string, ShapeNode>>;

type Open = Record<string, ShapeNode>;

/** The fields of a kind beside its id, name and the entry it was taken from. */
export function shapeOf(descriptor: Omit<GearDescriptor, 'blank' | 'assumedFrom'>): Shape {
  const { numbers, choices, fixed, counts, texts, lists, groups } = descriptor;
  const root: Open = {};
  const put = (path: string, node: ShapeNode): void => {
    const keys = path.split('.');
    const last = keys.pop()!;
    let at = root;
    for (const [depth, key] of keys.entries()) {
      const here = keys.slice(0, depth + 1).join('.');
      at[key] ??= { kind: 'group', presence: groups[here] ?? 'always', fields: {} };
      at = (at[key] as Extract<ShapeNode, { kind: 'group' }>).fields as Open;
    }
    at[last] = node;
  };
  for (const path of Object.keys(numbers)) put(path, { kind: 'number' });
  for (const [path, words] of Object.entries({ ...choices, ...fixed }))
    put(path, { kind: 'words', words });
  for (const [path, most] of Object.entries(counts)) put(path, { kind: 'count', most });
  for (const [path, most] of Object.entries(texts)) put(path, { kind: 'text', most });
  for (const [path, of] of Object.entries(lists)) put(path, { kind: 'places', of });
  return root;
}
