/** What is wrong with a rig, and where: a path such as "electrical.rows[0].cables[2].lengthM". */
export interface RigProblem {
  readonly path: string;
  readonly message: string;
}
