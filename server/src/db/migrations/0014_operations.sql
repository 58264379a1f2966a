-- What clients sent under a number of theirs, and what was answered first: sent again, it is answered the same.
create table operations (
  id uuid primary key,
  -- Method, address and a digest of the body: the same number for something else is refused.
  asked text not null,
  -- Null as long as it is being done.
  status integer check (status between 200 and 499),
  answer text,
  answered_at timestamptz not null default now()
);

create index operations_by_age on operations (answered_at);

-- What has been changed by which transaction. A reader names the snapshot that it saw last and is told what that did
-- not see yet, so that transactions that end in another order than they began are not missed.
create table changes (
  n bigint generated always as identity primary key,
  subject text not null,
  -- The window of a browser that did it, where it said so.
  made_by text,
  made_in xid8 not null default pg_current_xact_id(),
  made_at timestamptz not null default now()
);

create index changes_by_age on changes (made_at);

-- This feed's name: another after the database was moved to another server. What was made in or before forgotten_in is no longer told.
create table change_feed (
  only_row boolean primary key default true check (only_row),
  id uuid not null default gen_random_uuid(),
  forgotten_in xid8 not null default '0'
);
insert into change_feed default values;

-- Arguments: the subject, and the column that it goes by, where it is one of many.
create function note_change() returns trigger language plpgsql as $$
declare
  window_id text := nullif(current_setting('gullwind.window', true), '');
begin
  if tg_nargs = 1 then
    insert into changes (subject, made_by)
      select tg_argv[0], window_id where exists (select from rows_changed);
  else
    execute format(
      'insert into changes (subject, made_by) select distinct %L || coalesce(%I::text, ''''), $1::text from rows_changed',
      tg_argv[0] || ':', tg_argv[1]
    ) using window_id;
  end if;
  return null;
end
$$;

create function note_changes_of(of_table text, arguments text) returns void language plpgsql as $$
begin
  execute format('create trigger %I after insert on %I referencing new table as rows_changed for each statement execute function note_change(%s)', of_table || '_added', of_table, arguments);
  execute format('create trigger %I after update on %I referencing new table as rows_changed for each statement execute function note_change(%s)', of_table || '_changed', of_table, arguments);
  execute format('create trigger %I after delete on %I referencing old table as rows_changed for each statement execute function note_change(%s)', of_table || '_gone', of_table, arguments);
end
$$;

select note_changes_of('rigs', '''rig'', ''id''');
select note_changes_of('gear', '''gear''');
select note_changes_of('settings', '''settings''');
select note_changes_of('cable_tests', '''build'', ''rig_id''');
select note_changes_of('work_done', '''build'', ''rig_id''');
select note_changes_of('board_photos', '''photo'', ''rig_id''');
select note_changes_of('off_cuts', '''offCuts''');
select note_changes_of('measurements', '''measurements''');
select note_changes_of('hearings', '''hearings''');
select note_changes_of('hunts', '''hunt'', ''id''');
select note_changes_of('hunt_answers', '''hunt'', ''hunt_id''');
drop function note_changes_of(text, text);

-- Revisions come with their rig and are thinned without notice; what is new of them by itself is their name.
create trigger rig_revisions_changed after update on rig_revisions referencing new table as rows_changed
  for each statement execute function note_change('revisions', 'rig_id');
