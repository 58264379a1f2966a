-- What was measured: raw readings and what they came to, never changed but for being struck out. A rig that goes takes
-- nothing of it along: cables and pickups outlive it.
create table measurements (
  id uuid primary key,
  job text not null check (job ~ '^[a-z]{3,20}$'),
  rig_id uuid references rigs (id) on delete set null,
  gear text check (gear ~ '^[a-z][a-z0-9-]{1,63}$'),
  subject text not null check (length(subject) between 1 and 80),
  instrument text not null check (length(instrument) <= 200),
  is_simulated boolean not null,
  readings jsonb not null,
  responses jsonb not null,
  figures jsonb not null,
  words text not null check (length(words) <= 2000),
  by_whom text not null check (length(by_whom) <= 80),
  note text not null check (length(note) <= 2000),
  struck text check (length(struck) between 1 and 200),
  measured_at timestamptz not null default now()
);

create index measurements_by_time on measurements (measured_at desc);

-- What was heard in blind tests, threshold runs and at the amp: kept whatever it was.
create table hearings (
  id uuid primary key,
  listener text not null check (length(listener) between 1 and 80),
  kind text not null check (kind in ('abx', 'threshold', 'amp', 'said')),
  rig_id uuid references rigs (id) on delete set null,
  one text not null check (length(one) <= 200),
  other text not null check (length(other) <= 200),
  seed bigint check (seed between 0 and 4294967295),
  planned integer not null check (planned between 1 and 200),
  trials jsonb not null,
  is_finished boolean not null,
  expected text not null check (length(expected) <= 2000),
  model text not null check (length(model) <= 2000),
  note text not null check (length(note) <= 2000),
  heard_at timestamptz not null default now()
);

create index hearings_by_time on hearings (heard_at desc);
