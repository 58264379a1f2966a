-- A revision that somebody named stays when automatic ones are thinned.
alter table rig_revisions add column name text check (length(name) between 1 and 80);

-- What the list shows of a rig, kept beside its document with what it is searched and sorted by, and the entries of
-- the gear list in it. Made anew by the server where it is missing.
create table rig_listings (
  rig_id uuid primary key references rigs (id) on delete cascade,
  name_key text not null collate "C",
  player_key text not null collate "C",
  words text not null,
  treble_db double precision,
  listing jsonb not null,
  uses jsonb not null,
  made_by integer not null
);

drop index rigs_by_update;
create index rigs_by_update on rigs (updated_at desc, id);
