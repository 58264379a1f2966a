/**
 * How much of something a bench does: as much as says something, or so little that it only shows that the bench still
 * runs, as in the tests.
 */
export const amount = (usual: number, smallest = 1): number => (isSmallest ? smallest : usual);

export const isSmallest = process.env.GULLWIND_BENCH === 'smallest';
