/** How a piece of long work stands. */
export type WorkState<P, A> =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly progress: P | null }
  /** With the best that there was by then. */
  | { readonly kind: 'stopped'; readonly progress: P | null }
  | { readonly kind: 'done'; readonly answer: A }
  | { readonly kind: 'failed'; readonly message: string };
