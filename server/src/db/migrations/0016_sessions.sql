-- Who has signed in, by a name that the signed cookie carries: signed out, a copy of it is worth nothing.
create table sessions (
  id uuid primary key default gen_random_uuid(),
  ends_at timestamptz not null
);
