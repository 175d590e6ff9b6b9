-- Limits for harmonics: the club's own entries, each with where it has it from. They are no one's law.
create table emission_limit (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 60),
  -- so far below the carrier at least; no more than that; where both are given: which counts
  dbc double precision check (dbc > 0 and dbc <= 200),
  dbm double precision check (dbm between -200 and 100),
  both_count text check (both_count in ('stricter', 'laxer')),
  source text not null check (source <> '' and length(source) <= 200),
  shelved_at timestamptz,
  primary key (club_id, id),
  check (dbc is not null or dbm is not null)
);
create unique index emission_limit_name on emission_limit (club_id, lower(name)) where shelved_at is null;

-- The carrier of a unit and its harmonics as a meter showed them. Never changed, only struck.
create table spectrum (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint not null,
  carrier_hz bigint not null check (carrier_hz > 0),
  carrier_dbm double precision not null,
  -- [{frequency, dbm}], the highest near each harmonic, as the meter showed them behind the attenuation
  lines jsonb not null,
  attenuation double precision not null check (attenuation between 0 and 200),
  meter text not null default '' check (length(meter) <= 120),
  -- in decibels: off by, its own noise, the most before it makes harmonics itself
  error double precision check (error >= 0),
  floor double precision,
  most double precision,
  limit_id bigint,
  note text not null default '' check (length(note) <= 500),
  at timestamptz not null,
  person_id bigint not null,
  struck_at timestamptz,
  struck_by bigint,
  struck_why text,
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, limit_id) references emission_limit (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  foreign key (club_id, struck_by) references person (club_id, id)
);
create index spectrum_of_unit on spectrum (club_id, unit_id, at desc);

do $$
declare t text;
begin
  foreach t in array array['emission_limit', 'spectrum']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert on %I to mossy_app', t);
  end loop;
end $$;
grant update on emission_limit to mossy_app;
grant update (struck_at, struck_by, struck_why) on spectrum to mossy_app;
