import type { ErrorCode } from '@gullwind/contract';

/// What it means for whoever asked that the database holds something to a rule: what it belongs to went at the same moment,
/// its id is another’s, or a value is none that can be kept.

interface Broken {
  readonly code?: unknown;
  readonly constraint?: unknown;
}

interface Meaning {
  readonly code: ErrorCode;
  readonly detail: string;
}

const [MISSING, TAKEN, OUTSIDE] = ['23503', '23505', '23514'];
const COUNTED_OUT = new Set(['rigs_revision_most', 'gear_revision_most', 'gear_place_most']);

/** Null where the error is no broken rule. */
export function brokenRule({ code, constraint }: Broken): Meaning | null {
  switch (code) {
    case MISSING:
      return constraint === 'hunt_answers_hunt_id_fkey'
        ? { code: 'hunt-not-found', detail: 'The hunt is not there any more. Nothing was changed.' }
        : { code: 'rig-not-found', detail: 'The rig is not there any more. Nothing was changed.' };
    case TAKEN:
      return {
        code: 'id-taken',
        detail: 'An id in it names something else already. Nothing was changed.',
      };
    case OUTSIDE:
      return COUNTED_OUT.has(String(constraint))
        ? {
            code: 'counted-out',
            detail: 'It is at revision 2,000,000,000, the last one. Go on with a copy of it.',
          }
        : { code: 'invalid-request', detail: 'A value in it cannot be kept. Nothing was changed.' };
    default:
      return null;
  }
}
