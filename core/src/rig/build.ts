/** How far a rig is built. */
export interface Build {
  /** Cables that are made. One may be out of the rig for now. */
  readonly made: readonly string[];
}

export const NOTHING_BUILT: Build = { made: [] };
