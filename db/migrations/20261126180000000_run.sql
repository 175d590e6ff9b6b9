-- What a radio is taken through at the bench: a plan, and what happened. Nothing else is stored: a run is the fold of its events.
create table run (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint not null,
  title text not null check (title <> '' and length(title) <= 200),
  plan jsonb not null,
  begun_by bigint not null,
  begun_at timestamptz not null default now(),
  -- null: it goes on
  ended_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, begun_by) references person (club_id, id)
);
-- One unit is worked on by one run at a time.
create unique index run_one_at_a_time on run (club_id, unit_id) where ended_at is null;
create index run_of_unit on run (club_id, unit_id, begun_at desc);

create table run_event (
  club_id bigint not null,
  run_id bigint not null,
  number integer not null check (number > 0),
  -- made by who sends it: sent twice, it is there once
  id text not null check (length(id) between 8 and 64),
  at timestamptz not null default now(),
  person_id bigint not null,
  what jsonb not null,
  primary key (club_id, run_id, number),
  unique (club_id, run_id, id),
  foreign key (club_id, run_id) references run (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);

do $$
declare t text;
begin
  foreach t in array array['run', 'run_event']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert on %I to mossy_app', t);
  end loop;
end $$;
grant update (ended_at) on run to mossy_app;
