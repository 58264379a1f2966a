/// What JSON can say, and undefined for what is not there.

export type Plain = string | number | boolean | null | undefined | readonly Plain[] | PlainObject;

export interface PlainObject {
  readonly [key: string]: Plain;
}

export const isPlain = (value: Plain): value is PlainObject =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
