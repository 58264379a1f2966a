import type { Read } from '@gullwind/contract';
import { KnownError } from './errors';

/** The value of a read, or the catalogue's "invalid-request" with every problem in it. */
export function demand<T>(read: Read<T>): T {
  if (read.kind === 'ok') return read.value;
  const [first] = read.problems;
  throw new KnownError(
    read.isText ? 'text-not-kept' : 'invalid-request',
    first?.message ?? 'It could not be read.',
    {
      problems: read.problems,
    },
  );
}
