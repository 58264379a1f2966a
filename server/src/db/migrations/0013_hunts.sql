-- Hunts for a fault, of a rig or without one. A rig that goes takes its hunts along; one without a rig stays.
create table hunts (
  id uuid primary key,
  rig_id uuid references rigs (id) on delete cascade,
  revision integer check (revision > 0),
  symptom text not null check (symptom ~ '^[a-zA-Z]{3,20}$'),
  comes_and_goes boolean not null,
  test_order text not null check (test_order in ('best', 'usual')),
  weights jsonb not null,
  note text not null check (length(note) <= 2000),
  begun_at timestamptz not null default now(),
  changed_at timestamptz not null default now(),
  ended_at timestamptz,
  ending jsonb,
  check ((ended_at is null) = (ending is null))
);

create index hunts_of_rig on hunts (rig_id, begun_at desc);

-- What was asked and answered, in order; what is taken back stays.
create table hunt_answers (
  id uuid primary key,
  hunt_id uuid not null references hunts (id) on delete cascade,
  nth integer not null,
  test text not null check (length(test) between 1 and 80),
  outcome text not null check (outcome in ('yes', 'no', 'notSure')),
  says text not null check (length(says) <= 2000),
  minutes double precision not null check (minutes between 0 and 600),
  by_whom text not null check (length(by_whom) <= 80),
  answered_at timestamptz not null default now(),
  taken_back timestamptz
);

create unique index hunt_answers_in_order on hunt_answers (hunt_id, nth);

-- The book is a part of a rig; what a list says of rigs is made anew with it.
alter table rig_listings add column deadline text;
create index rig_listings_by_deadline on rig_listings (deadline);
create index measurements_of_rig on measurements (rig_id);
create index hearings_of_rig on hearings (rig_id);
