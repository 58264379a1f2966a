/** Every error the server answers with: its code, status and what it means. docs/errors.md lists the same. */
export const ERROR_CATALOGUE = {
  'invalid-request': { status: 400, title: 'Something in the request is not as it must be' },
  'malformed-json': { status: 400, title: 'The body is not JSON' },
  'sign-in-required': { status: 401, title: 'Sign in first' },
  'sign-in-failed': { status: 401, title: 'The passphrase is not right' },
  'host-not-allowed': { status: 403, title: 'This address is not one the server answers to' },
  'origin-not-allowed': { status: 403, title: 'The request comes from another site' },
  'tls-required': {
    status: 403,
    title: 'This address speaks TLS, and the request came in without',
  },
  'route-not-found': { status: 404, title: 'There is nothing at this address' },
  'rig-not-found': { status: 404, title: 'There is no such rig' },
  'rig-stale': { status: 409, title: 'The rig was changed elsewhere in the meantime' },
  'rig-exists': { status: 409, title: 'There is a rig with this id already' },
  'gear-not-found': { status: 404, title: 'There is no such entry in the gear list' },
  'gear-stale': { status: 409, title: 'The entry was changed elsewhere in the meantime' },
  'gear-exists': { status: 409, title: 'There are entries with these ids already' },
  'gear-in-use': { status: 409, title: 'Rigs were built from this' },
  'revision-not-found': { status: 404, title: 'There is no such revision' },
  'restore-running': { status: 409, title: 'Another restore is at work' },
  'workspace-not-empty': { status: 409, title: 'There is work here already' },
  'text-not-kept': { status: 422, title: 'Some text in it cannot be kept' },
  'body-too-large': { status: 413, title: 'The body is too large' },
  'not-json': { status: 415, title: 'The body must be sent as application/json' },
  'too-many-attempts': { status: 429, title: 'Too many attempts; wait a little' },
  'database-away': { status: 503, title: 'The database does not answer' },
  'no-room': { status: 507, title: 'There is no room for it on the server' },
  internal: { status: 500, title: 'Something went wrong on the server' },
} as const;

export type ErrorCode = keyof typeof ERROR_CATALOGUE;
