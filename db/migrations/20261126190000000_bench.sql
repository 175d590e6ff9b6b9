-- What a bench holds while it works, the backups it keeps, and the simulated radios that stand in for real ones.

-- Large files are kept in parts, so that none has to be in memory as a whole; `content` is null then. Parts come first: they are a file
-- once their sum has been held against them.
alter table file alter column content drop not null;
create table file_part (
  club_id bigint not null,
  sha256 text not null,
  number integer not null check (number >= 0),
  content bytea not null check (length(content) between 1 and 1048576),
  primary key (club_id, sha256, number)
);
create trigger file_part_stands before update or delete or truncate on file_part
  for each statement execute function file_stands();

-- What was read out of a radio, or is to be counted as such. Never changed; the same bytes may be kept for several days.
create table backup (
  club_id bigint not null,
  id bigint generated always as identity,
  unit_id bigint not null,
  sha256 text not null,
  name text not null check (name <> '' and length(name) <= 200),
  run_id bigint,
  kept_by bigint not null,
  kept_at timestamptz not null default now(),
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, sha256) references file (club_id, sha256),
  foreign key (club_id, run_id) references run (club_id, id),
  foreign key (club_id, kept_by) references person (club_id, id)
);
create index backup_of_unit on backup (club_id, unit_id, kept_at desc);
create index backup_of_file on backup (club_id, sha256);

-- A radio that is not there: a simulated one stands in for it, and machine work is done to that.
create table simulated_radio (
  club_id bigint not null,
  unit_id bigint not null,
  state jsonb not null,
  primary key (club_id, unit_id),
  foreign key (club_id, unit_id) references unit (club_id, id)
);

-- Leads, computers and adapters that a run works with, and its tool. Taken when it begins, so that radios can be lined up for one lead, and
-- not given twice; released when it ends, or when another takes them over.
create table run_thing (
  club_id bigint not null,
  run_id bigint not null,
  kind text not null check (kind in ('lead', 'computer', 'adapter', 'tool')),
  thing_id bigint not null,
  name text not null check (length(name) <= 200),
  taken_at timestamptz,
  released_at timestamptz,
  primary key (club_id, run_id, kind, thing_id),
  foreign key (club_id, run_id) references run (club_id, id)
);
create unique index run_thing_once on run_thing (club_id, kind, thing_id) where taken_at is not null and released_at is null and kind <> 'tool';

-- What the radio was taken to the bench for, so that it can be begun anew; null: by a procedure of its own, or from before.
alter table run add column errand jsonb;
-- Who has the run now, and the last sign of life from its bench.
alter table run add column held_by bigint;
alter table run no force row level security;
update run set held_by = begun_by;
alter table run force row level security;
alter table run alter column held_by set not null,
  add constraint run_held_by foreign key (club_id, held_by) references person (club_id, id),
  add column heard_at timestamptz not null default now();
-- After so many minutes of silence what a bench holds may be taken over.
alter table club add column bench_silence integer not null default 30 check (bench_silence between 5 and 1440);

-- Tries of a procedure on a simulated radio in practice.
create table practice_try (
  club_id bigint not null,
  id bigint generated always as identity,
  person_id bigint not null,
  procedure_id bigint not null,
  clean boolean not null,
  ms integer not null check (ms between 0 and 86400000),
  at timestamptz not null default now(),
  primary key (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  foreign key (club_id, procedure_id) references procedure (club_id, id)
);
create index practice_of_person on practice_try (club_id, person_id, procedure_id);
-- So many clean tries before anybody runs what erases on a real radio.
alter table club add column clean_tries integer not null default 0 check (clean_tries between 0 and 9);

do $$
declare t text;
begin
  foreach t in array array['file_part', 'backup', 'simulated_radio', 'run_thing', 'practice_try']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert on %I to mossy_app', t);
  end loop;
end $$;
grant update (state) on simulated_radio to mossy_app;
grant update (taken_at, released_at) on run_thing to mossy_app;
grant update (held_by, heard_at) on run to mossy_app;
grant update (bench_silence, clean_tries) on club to mossy_app;

-- What is done about a need may be a backup.
alter table need drop constraint if exists need_doing_check;
alter table need add constraint need_action_check check (action between 0 and 6);
