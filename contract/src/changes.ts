import Joi from 'joi';
import { uuid } from './ids';
import { readWith, type Read } from './read';
import { calledInDocs, closed, yesNo } from './shapes';

/// What a client says of its writes, and how it is told of those of others.

/** Something that has been changed: "rig:…", "gear", "build:…" (of a rig) and so on. */
export interface Change {
  readonly subject: string;
  /** The window that did it, where it said so. */
  readonly by: string | null;
}

export interface Changes {
  /** Which feed the cursor belongs to. */
  readonly feed: string;
  /** Where to go on from. */
  readonly cursor: string;
  /** Everything may have been changed: it is not known any more what. */
  readonly isAll: boolean;
  readonly changes: readonly Change[];
}

export const changesShape: Joi.ObjectSchema<Changes> = calledInDocs(
  'Changes',
  closed({
    feed: uuid,
    cursor: Joi.string().required(),
    isAll: yesNo,
    changes: Joi.array()
      .items(
        closed({
          subject: Joi.string().required(),
          by: Joi.string().allow(null).required(),
        }).optional(),
      )
      .required(),
  }),
);

/** A connection is held so long at most, s: proxies give up after a minute. */
const MOST_WAIT_S = 25;

export interface ChangesQuery {
  readonly feed?: string;
  readonly since?: string;
  readonly waitS: number;
}

/** A snapshot as the database writes it: its least, its most, and those between that had not ended. */
const CURSOR = /^\d{1,19}:\d{1,19}:(\d{1,19}(,\d{1,19}){0,9999})?$/u;

export const changesFields = {
  feed: uuid.optional(),
  since: Joi.string().pattern(CURSOR, 'a cursor of this feed'),
  waitS: Joi.number().min(0).max(MOST_WAIT_S).default(0),
};

const changesQuery = Joi.object<ChangesQuery>(changesFields).and('feed', 'since');

export const readChangesQuery = (value: unknown): Read<ChangesQuery> => {
  const { waitS, ...rest } = value as Record<string, unknown>;
  const isNumber = typeof waitS === 'string' && /^\d{1,3}(\.\d{1,3})?$/u.test(waitS);
  return readWith(changesQuery, {
    ...rest,
    ...(waitS !== undefined && { waitS: isNumber ? Number(waitS) : waitS }),
  });
};
