/// How long words may be, and how many loops a box may have.

export const LONGEST_NAME = 80;
export const LONGEST_NOTE = 2000;
export const MOST_LOOPS = 12;
