-- At which revision rigs and entries of the gear list were removed: what is put in their place goes on from there, so
-- that nobody saves over it from what was seen before.
create table removed (
  id text primary key,
  revision integer not null check (revision >= 1)
);
