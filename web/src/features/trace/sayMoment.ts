/** When it was, as it is read on a stage: day and minute. */
export const sayMoment = (moment: string): string =>
  new Date(moment).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
