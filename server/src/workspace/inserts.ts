/// Parts of a workspace as rows: each statement takes a list of them as JSON.

/** Rigs into a table of that form. */
export const rigsInto = (table: string) => `
  insert into ${table} (id, revision, created_at, updated_at, deleted_at, document)
  select id, revision, "createdAt"::timestamptz, "updatedAt"::timestamptz, "deletedAt"::timestamptz, document
  from jsonb_to_recordset($1::jsonb) as kept
       (id uuid, revision integer, "createdAt" text, "updatedAt" text, "deletedAt" text, document jsonb)`;

export const revisionsInto = (table: string) => `
  insert into ${table} (rig_id, revision, saved_at, name, document)
  select rig, revision, "savedAt"::timestamptz, name, document
  from jsonb_to_recordset($1::jsonb) as kept
       (rig uuid, revision integer, "savedAt" text, name text, document jsonb)`;

/** By the kind of the part, but for what goes in by itself. */
export const INSERT = {
  rig: rigsInto('rigs'),
  revision: revisionsInto('rig_revisions'),
  gear: `insert into gear (id, kind, name, note, place, thing, qualities, retired, revision)
         select item ->> 'id', item ->> 'kind', item -> 'thing' ->> 'name', item ->> 'note', place,
                item -> 'thing', item -> 'qualities', (item ->> 'retired')::boolean, revision
         from jsonb_to_recordset($1::jsonb) as kept (place integer, revision integer, item jsonb)`,
  test: `insert into cable_tests (id, rig_id, cable, label, revision, fingerprint, length_m, tip_through,
           sleeve_through, ring_through, leak_ohm, silent_plugs, pull, wiggle, capacitance_f, by_whom, note, tested_at)
         select (test ->> 'id')::uuid, rig, test ->> 'cable', test ->> 'label', (test ->> 'revision')::integer,
                test ->> 'fingerprint', (test ->> 'lengthM')::double precision, (test ->> 'tipThrough')::boolean,
                (test ->> 'sleeveThrough')::boolean, (test ->> 'ringThrough')::boolean,
                (test ->> 'leakOhm')::double precision, (test ->> 'silentPlugs')::boolean,
                (test ->> 'pull')::boolean, (test ->> 'wiggle')::boolean,
                (test ->> 'capacitanceF')::double precision, test ->> 'by', test ->> 'note',
                (test ->> 'at')::timestamptz
         from jsonb_to_recordset($1::jsonb) as kept (rig uuid, test jsonb)`,
  done: `insert into work_done (rig_id, step, fingerprint, length_m, revision, by_whom, done_at)
         select rig, done ->> 'step', done ->> 'fingerprint', (done ->> 'lengthM')::double precision,
                (done ->> 'revision')::integer, done ->> 'by', (done ->> 'at')::timestamptz
         from jsonb_to_recordset($1::jsonb) as kept (rig uuid, done jsonb)`,
  offCut: `insert into off_cuts (id, name, gear, length_m, note)
           select ("offCut" ->> 'id')::uuid, "offCut" ->> 'name', "offCut" ->> 'gear',
                  ("offCut" ->> 'lengthM')::double precision, "offCut" ->> 'note'
           from jsonb_to_recordset($1::jsonb) as kept ("offCut" jsonb)`,
  measurement: `insert into measurements (id, job, rig_id, gear, subject, instrument, is_simulated, readings,
                  responses, figures, words, by_whom, note, struck, measured_at)
                select (m ->> 'id')::uuid, m ->> 'job',
                       (select id from rigs where id = (m ->> 'rig')::uuid), m ->> 'gear', m ->> 'subject',
                       m ->> 'instrument', (m ->> 'isSimulated')::boolean, m -> 'readings', m -> 'responses',
                       m -> 'figures', m ->> 'words', m ->> 'by', m ->> 'note', m ->> 'struck',
                       (m ->> 'at')::timestamptz
                from jsonb_to_recordset($1::jsonb) as kept (measurement jsonb), lateral (select measurement as m) as one`,
  hearing: `insert into hearings (id, listener, kind, rig_id, one, other, seed, planned, trials, is_finished,
              expected, model, note, heard_at)
            select (h ->> 'id')::uuid, h ->> 'listener', h ->> 'kind',
                   (select id from rigs where id = (h ->> 'rig')::uuid), h ->> 'one', h ->> 'other',
                   (h ->> 'seed')::bigint, (h ->> 'planned')::integer, h -> 'trials',
                   (h ->> 'isFinished')::boolean, h ->> 'expected', h ->> 'model', h ->> 'note',
                   (h ->> 'at')::timestamptz
            from jsonb_to_recordset($1::jsonb) as kept (hearing jsonb), lateral (select hearing as h) as one`,
  hunt: `with kept as (
           select hunt as h from jsonb_to_recordset($1::jsonb) as kept (hunt jsonb)
           where hunt ->> 'rig' is null or exists (select from rigs where id = (hunt ->> 'rig')::uuid)
         ), put as (
           insert into hunts (id, rig_id, revision, symptom, comes_and_goes, test_order, weights, note,
             begun_at, changed_at, ended_at, ending)
           select (h ->> 'id')::uuid, (h ->> 'rig')::uuid, (h ->> 'revision')::integer, h ->> 'symptom',
                  (h ->> 'comesAndGoes')::boolean, h ->> 'order', h -> 'weights', h ->> 'note',
                  (h ->> 'begunAt')::timestamptz, (h ->> 'changedAt')::timestamptz,
                  (h ->> 'endedAt')::timestamptz, nullif(h -> 'ending', 'null'::jsonb)
           from kept returning id
         )
         insert into hunt_answers (id, hunt_id, nth, test, outcome, says, minutes, by_whom, answered_at, taken_back)
         select (a ->> 'id')::uuid, put.id, nth, a ->> 'test', a ->> 'outcome', a ->> 'says',
                (a ->> 'minutes')::double precision, a ->> 'by', (a ->> 'at')::timestamptz,
                (a ->> 'takenBack')::timestamptz
         from kept join put on put.id = (h ->> 'id')::uuid,
              jsonb_array_elements(h -> 'answers') with ordinality as answers (a, nth)`,
} as const;
