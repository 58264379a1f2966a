/** What of a board is shown. */
export interface Layers {
  readonly cables: boolean;
  readonly feet: boolean;
  readonly lanes: boolean;
  readonly dc: boolean;
}

export const ALL_LAYERS: Layers = { cables: true, feet: true, lanes: true, dc: true };

export const LAYER_WORDS: readonly (readonly [keyof Layers, string])[] = [
  ['cables', 'cables'],
  ['feet', 'feet'],
  ['lanes', 'lanes'],
  ['dc', 'DC'],
];
