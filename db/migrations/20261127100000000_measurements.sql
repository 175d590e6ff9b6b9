-- What a meter said of a unit, with what it may be off by as it was known then. A measurement is never changed, only struck.
create table measurement (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint not null,
  -- power in watts, current in amperes, sensitivity in microvolts
  kind text not null check (kind in ('power', 'current', 'sensitivity')),
  value double precision not null check (value >= 0 and value < 1e6),
  frequency bigint check (frequency > 0),
  supply double precision check (supply > 0),
  meter text not null default '' check (length(meter) <= 120),
  error text not null default '' check (length(error) <= 120),
  full_scale double precision check (full_scale > 0),
  note text not null default '' check (length(note) <= 500),
  at timestamptz not null,
  person_id bigint not null,
  struck_at timestamptz,
  struck_by bigint,
  struck_why text,
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  foreign key (club_id, struck_by) references person (club_id, id)
);
create index measurement_of_unit on measurement (club_id, unit_id, kind, at desc);

alter table measurement enable row level security;
alter table measurement force row level security;
create policy own_club on measurement using (club_id = current_club()) with check (club_id = current_club());
grant select, insert on measurement to mossy_app;
grant update (struck_at, struck_by, struck_why) on measurement to mossy_app;

-- What is done about a need may be to measure.
alter table need drop constraint need_action_check;
alter table need add constraint need_action_check check (action between 0 and 8);
