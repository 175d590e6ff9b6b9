-- What goes on a radio's antenna socket: antennas, and adapters to what it is measured with. Adapters of that kind were among those for data.
create table antenna (
  club_id bigint not null references club,
  id bigint generated always as identity,
  tag text not null check (tag <> '' and length(tag) <= 40),
  kind text not null check (kind in ('antenna', 'adapter')),
  radio_end bigint not null,
  other_end bigint,
  what text not null default '' check (length(what) <= 300),
  condition text not null default 'sound' check (condition in ('sound', 'worn', 'broken', 'lost')),
  place_id bigint,
  holder_id bigint,
  note text not null default '' check (length(note) <= 500),
  shelved_at timestamptz,
  primary key (club_id, id),
  check ((kind = 'adapter') = (other_end is not null)),
  foreign key (club_id, radio_end) references connector (club_id, id),
  foreign key (club_id, other_end) references connector (club_id, id),
  foreign key (club_id, place_id) references place (club_id, id),
  foreign key (club_id, holder_id) references person (club_id, id)
);
create unique index antenna_tag on antenna (club_id, lower(tag)) where shelved_at is null;

alter table adapter no force row level security;
alter table offer no force row level security;
insert into antenna (club_id, tag, kind, radio_end, other_end, condition, place_id, holder_id, note)
  select club_id, tag, 'adapter', end_a, end_b, condition, place_id, holder_id, left(note, 500) from adapter
  where kind = 'antenna' and shelved_at is null and end_a <> end_b;
update adapter set shelved_at = now() where kind = 'antenna' and shelved_at is null;
update offer set shelved_at = now() where gives = 'adapter' and kind = 'antenna' and shelved_at is null;
alter table offer force row level security;
alter table adapter force row level security;

alter table antenna enable row level security;
alter table antenna force row level security;
create policy own_club on antenna using (club_id = current_club()) with check (club_id = current_club());
grant select, insert, update on antenna to mossy_app;

-- The socket of a load or a meter.
alter table gear add socket bigint;
alter table gear add foreign key (club_id, socket) references connector (club_id, id);

-- A run can hold such an adapter.
alter table run_thing drop constraint run_thing_kind_check;
alter table run_thing add constraint run_thing_kind_check check (kind in ('lead', 'computer', 'adapter', 'tool', 'gear', 'antenna'));

-- How far a radio is off its frequency, in hertz: it may lie below.
alter table measurement drop constraint measurement_kind_check;
alter table measurement add constraint measurement_kind_check check (kind in ('power', 'current', 'sensitivity', 'frequency error'));
alter table measurement drop constraint measurement_value_check;
alter table measurement add constraint measurement_value_check check (abs(value) < 1e6 and (value >= 0 or kind = 'frequency error'));
alter table measurement add constraint measurement_has_frequency check (kind <> 'frequency error' or frequency is not null);
