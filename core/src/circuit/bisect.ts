/**
 * Narrows down where something that holds stops holding, by halves.
 *
 * @param holds at `inside` and no more at `outside`; somewhere between it changes
 * @param within how close the two ends are to come, in the unit of the ends
 * @returns the last value seen at which it holds
 */
export function bisect(
  holds: (value: number) => boolean,
  inside: number,
  outside: number,
  within: number,
): number {
  let [yes, no] = [inside, outside];
  while (Math.abs(no - yes) > within) {
    const middle = (yes + no) / 2;
    // Between neighbouring numbers there is nothing left to halve.
    if (middle === yes || middle === no) break;
    if (holds(middle)) yes = middle;
    else no = middle;
  }
  return yes;
}
