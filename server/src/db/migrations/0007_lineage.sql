-- What a rig descends from: a restore puts another in its place, wherever that is, and a revision of the one before says
-- nothing of it.
alter table rigs add column lineage uuid not null default gen_random_uuid();
