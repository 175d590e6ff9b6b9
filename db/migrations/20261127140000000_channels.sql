-- The channels that are known of a unit, as a table brought them. The last one counts.
create table unit_channels (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint not null,
  -- the file's name, or how else they came
  name text not null check (length(name) <= 200),
  channels jsonb not null,
  at timestamptz not null default now(),
  person_id bigint not null,
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create index unit_channels_newest on unit_channels (club_id, unit_id, at desc, id desc);
alter table unit_channels enable row level security;
alter table unit_channels force row level security;
create policy own_club on unit_channels using (club_id = current_club()) with check (club_id = current_club());
grant select, insert on unit_channels to mossy_app;
