-- What has happened at the bench, by rig and the revision that it was then. Kept beside the documents, never changed by them.
create table cable_tests (
  id uuid primary key,
  rig_id uuid not null references rigs (id) on delete cascade,
  revision integer not null check (revision >= 1),
  cable text not null check (cable ~ '^[a-z][a-z0-9]{0,15}$'),
  label text not null check (length(label) between 1 and 16),
  fingerprint text not null check (length(fingerprint) <= 400),
  length_m double precision not null check (length_m >= 0 and length_m <= 100),
  tip_through boolean,
  sleeve_through boolean,
  ring_through boolean,
  leak_ohm double precision check (leak_ohm >= 0 and leak_ohm <= 1e12),
  silent_plugs boolean,
  pull boolean,
  wiggle boolean,
  capacitance_f double precision check (capacitance_f >= 0 and capacitance_f <= 1e-6),
  by_whom text not null check (length(by_whom) <= 80),
  note text not null check (length(note) <= 2000),
  tested_at timestamptz not null default now()
);

create index cable_tests_by_rig on cable_tests (rig_id, tested_at);

create table work_done (
  rig_id uuid not null references rigs (id) on delete cascade,
  step text not null check (length(step) between 1 and 60),
  fingerprint text not null check (length(fingerprint) <= 8000),
  length_m double precision check (length_m >= 0 and length_m <= 100),
  revision integer not null check (revision >= 1),
  by_whom text not null check (length(by_whom) <= 80),
  done_at timestamptz not null default now(),
  primary key (rig_id, step)
);

-- Pieces of cable that are left, of the workshop as a whole.
create table off_cuts (
  id uuid primary key,
  name text not null check (length(name) between 1 and 80),
  gear text check (gear ~ '^[a-z][a-z0-9-]{1,63}$'),
  length_m double precision not null check (length_m > 0 and length_m <= 1000),
  note text not null check (length(note) <= 2000),
  kept_at timestamptz not null default now()
);
