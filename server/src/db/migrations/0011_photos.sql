-- A photograph under the board of a rig: a picture without metadata, and how it lies.
create table board_photos (
  rig_id uuid primary key references rigs (id) on delete cascade,
  picture bytea not null check (octet_length(picture) between 1 and 4194304),
  width integer not null check (width between 1 and 12000),
  height integer not null check (height between 1 and 12000),
  lie jsonb not null,
  version uuid not null
);
