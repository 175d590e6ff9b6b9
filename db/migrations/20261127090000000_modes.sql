-- The states of a model in which it transmits here or there, with how one gets in and out of them. A mode is a fact of the dossier.
create table mode (
  club_id bigint not null references club,
  id bigint generated always as identity,
  model_id bigint not null,
  name text not null check (name <> '' and length(name) <= 60),
  -- where it transmits and receives, how strong, what it does outside, what switching erases
  facts jsonb not null,
  component_id bigint,
  firmware jsonb,
  hardware_revisions bigint[],
  enter_id bigint,
  leave_id bigint,
  source jsonb not null,
  position integer not null default 0,
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id),
  foreign key (club_id, component_id) references component (club_id, id),
  foreign key (club_id, enter_id) references procedure (club_id, id),
  foreign key (club_id, leave_id) references procedure (club_id, id),
  check ((component_id is null) = (firmware is null))
);
create unique index mode_name on mode (club_id, model_id, lower(name)) where shelved_at is null;

-- The club's own band plan: where a class of operator, or a service, may transmit. It is no one's law.
create table segment (
  club_id bigint not null references club,
  id bigint generated always as identity,
  class text not null check (class <> '' and length(class) <= 60),
  from_hz bigint not null check (from_hz >= 0),
  to_hz bigint not null check (to_hz <= 300000000000),
  watts double precision check (watts > 0),
  bandwidth integer check (bandwidth > 0),
  since date,
  until date,
  note text not null default '' check (length(note) <= 200),
  shelved_at timestamptz,
  primary key (club_id, id),
  check (from_hz < to_hz),
  check (since < until)
);
create index segment_of_class on segment (club_id, lower(class), from_hz) where shelved_at is null;

-- In which mode a unit was put, or found to be. The last one counts.
create table unit_mode (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint not null,
  mode_id bigint not null,
  at timestamptz not null,
  person_id bigint not null,
  how text not null check (how in ('set', 'proved', 'told')),
  why text not null default '' check (length(why) <= 500),
  -- what was seen at the test frequencies, where it was proved
  seen jsonb,
  run_id bigint,
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, mode_id) references mode (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  foreign key (club_id, run_id) references run (club_id, id)
);
create index unit_mode_newest on unit_mode (club_id, unit_id, at desc, id desc);

do $$
declare t text;
begin
  foreach t in array array['mode', 'segment', 'unit_mode']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert on %I to mossy_app', t);
  end loop;
end $$;
grant update on mode to mossy_app;
grant update on segment to mossy_app;

-- What is done about a need may be to switch its mode.
alter table need drop constraint need_action_check;
alter table need add constraint need_action_check check (action between 0 and 7);
