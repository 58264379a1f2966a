/** What is wrong with a place on a thing. */
export interface PlaceProblem {
  readonly path: string;
  readonly message: string;
}
