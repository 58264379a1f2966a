create table rigs (
  id uuid primary key,
  revision integer not null check (revision >= 1),
  document jsonb not null check (jsonb_typeof(document) = 'object'),
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);

create index rigs_by_update on rigs (updated_at desc) where deleted_at is null;

create table rig_revisions (
  rig_id uuid not null references rigs (id),
  revision integer not null check (revision >= 1),
  document jsonb not null,
  saved_at timestamptz not null default now(),
  primary key (rig_id, revision)
);

create table gear (
  id text primary key check (id ~ '^[a-z][a-z0-9-]{1,63}$'),
  kind text not null check (kind in ('guitar', 'device', 'lead', 'amp')),
  name text not null check (length(name) between 1 and 80),
  note text not null check (length(note) <= 2000),
  place integer not null,
  thing jsonb not null check (jsonb_typeof(thing) = 'object')
);

create index gear_by_place on gear (kind, place, name);

create table settings (
  only_row boolean primary key default true check (only_row),
  document jsonb not null
);

create table secrets (
  name text primary key,
  value text not null
);
