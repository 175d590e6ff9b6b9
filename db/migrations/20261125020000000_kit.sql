-- Kit: what a club owns to reach into its radios, what is known of how it goes together, and what was tried.
-- Shapes: core/kit/shapes.ts. Ranges as in releases (core/firmware/range.ts), sources as in dossiers.
alter table club
  add currency text not null default 'EUR' check (currency ~ '^[A-Z]{3}$'),
  -- changes with everything the chains are made of, to a number that never comes again
  add kit_stamp bigint not null default 0;
create sequence kit_stamp;
grant usage on sequence kit_stamp to mossy_app;
grant update (currency, kit_stamp) on club to mossy_app;

create table connector (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 80),
  shape text not null,
  pins integer check (pins between 1 and 200),
  keyed boolean not null default false,
  -- which way round it goes in
  way text not null default '',
  shelved_at timestamptz,
  primary key (club_id, id)
);
create unique index connector_name on connector (club_id, lower(name)) where shelved_at is null;

create table lead (
  club_id bigint not null references club,
  id bigint generated always as identity,
  tag text not null check (tag <> '' and length(tag) <= 40),
  kind text not null check (kind in ('cable', 'programmer', 'card')),
  radio_end bigint not null,
  computer_end bigint,
  -- null: no chip; empty: some chip, but nobody knows which
  chip_family text,
  chip_grade text not null default 'unknown' check (chip_grade in ('genuine', 'clone', 'unknown')),
  usb_vendor integer check (usb_vendor between 0 and 65535),
  usb_product integer check (usb_product between 0 and 65535),
  carries_data boolean not null default true,
  condition text not null default 'sound' check (condition in ('sound', 'worn', 'broken', 'lost')),
  place_id bigint,
  holder_id bigint,
  note text not null default '',
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, radio_end) references connector (club_id, id),
  foreign key (club_id, computer_end) references connector (club_id, id),
  foreign key (club_id, place_id) references place (club_id, id),
  foreign key (club_id, holder_id) references person (club_id, id)
);
create unique index lead_tag on lead (club_id, lower(tag)) where shelved_at is null;

create table adapter (
  club_id bigint not null references club,
  id bigint generated always as identity,
  tag text not null check (tag <> '' and length(tag) <= 40),
  kind text not null check (kind in ('on-the-go', 'usb', 'serial', 'antenna', 'box')),
  end_a bigint not null,
  end_b bigint not null,
  chip_family text,
  chip_grade text not null default 'unknown' check (chip_grade in ('genuine', 'clone', 'unknown')),
  carries_data boolean not null default true,
  condition text not null default 'sound' check (condition in ('sound', 'worn', 'broken', 'lost')),
  place_id bigint,
  holder_id bigint,
  note text not null default '',
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, end_a) references connector (club_id, id),
  foreign key (club_id, end_b) references connector (club_id, id),
  foreign key (club_id, place_id) references place (club_id, id),
  foreign key (club_id, holder_id) references person (club_id, id)
);
create unique index adapter_tag on adapter (club_id, lower(tag)) where shelved_at is null;

create table computer (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 80),
  kind text not null check (kind in ('computer', 'phone', 'tablet')),
  system text not null check (system in ('Windows', 'Linux', 'macOS', 'Android', 'iOS')),
  version text not null default '',
  bits integer not null default 64 check (bits in (32, 64)),
  bluetooth boolean not null default false,
  admin boolean not null default true,
  condition text not null default 'sound' check (condition in ('sound', 'worn', 'broken', 'lost')),
  place_id bigint,
  note text not null default '',
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, place_id) references place (club_id, id)
);
create unique index computer_name on computer (club_id, lower(name)) where shelved_at is null;

create table computer_port (
  club_id bigint not null references club,
  computer_id bigint not null,
  connector_id bigint not null,
  primary key (club_id, computer_id, connector_id),
  foreign key (club_id, computer_id) references computer (club_id, id),
  foreign key (club_id, connector_id) references connector (club_id, id)
);

create table driver (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 80),
  note text not null default '',
  shelved_at timestamptz,
  primary key (club_id, id)
);
create unique index driver_name on driver (club_id, lower(name)) where shelved_at is null;

create table tool (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 80),
  runs_on jsonb not null default '[]',
  matches_firmware boolean not null default false,
  note text not null default '',
  shelved_at timestamptz,
  primary key (club_id, id)
);
create unique index tool_name on tool (club_id, lower(name)) where shelved_at is null;

create table tool_support (
  club_id bigint not null references club,
  id bigint generated always as identity,
  tool_id bigint not null,
  model_id bigint not null,
  operations text[] not null,
  versions jsonb,
  component text,
  firmware jsonb,
  primary key (club_id, id),
  foreign key (club_id, tool_id) references tool (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id)
);
create index tool_support_of_tool on tool_support (club_id, tool_id);

create table computer_driver (
  club_id bigint not null references club,
  computer_id bigint not null,
  driver_id bigint not null,
  version text not null,
  primary key (club_id, computer_id, driver_id),
  foreign key (club_id, computer_id) references computer (club_id, id),
  foreign key (club_id, driver_id) references driver (club_id, id)
);
create table computer_tool (
  club_id bigint not null references club,
  computer_id bigint not null,
  tool_id bigint not null,
  version text not null,
  primary key (club_id, computer_id, tool_id),
  foreign key (club_id, computer_id) references computer (club_id, id),
  foreign key (club_id, tool_id) references tool (club_id, id)
);

create table driver_rule (
  club_id bigint not null references club,
  id bigint generated always as identity,
  family text not null check (family <> '' and length(family) <= 80),
  grade text check (grade in ('genuine', 'clone', 'unknown')),
  system text not null check (system in ('Windows', 'Linux', 'macOS', 'Android', 'iOS')),
  system_versions jsonb,
  bits integer check (bits in (32, 64)),
  says text not null check (says in ('built-in', 'needs', 'must-not', 'no-support')),
  driver_id bigint,
  range jsonb,
  source jsonb not null,
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, driver_id) references driver (club_id, id),
  check ((says in ('needs', 'must-not')) = (driver_id is not null))
);

-- One try at the bench, with what it was tried on as that stood then; only grows.
create table attempt (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint,
  operation text not null check (operation in ('read', 'write', 'flash')),
  lead_id bigint,
  computer_id bigint not null,
  tool_id bigint,
  chip_family text,
  chip_grade text,
  driver_id bigint,
  system text not null,
  system_version text not null,
  worked boolean not null,
  -- no try, but a settled matter: this never works together
  settled boolean not null default false,
  symptom text not null default '',
  person_id bigint not null,
  at timestamptz not null default now(),
  -- the form it came from: sent twice, it counts once
  receipt uuid not null default gen_random_uuid(),
  primary key (club_id, id),
  unique (club_id, receipt),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, lead_id) references lead (club_id, id),
  foreign key (club_id, computer_id) references computer (club_id, id),
  foreign key (club_id, tool_id) references tool (club_id, id),
  foreign key (club_id, driver_id) references driver (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create function attempt_stands() returns trigger language plpgsql as $$
begin raise exception 'the account of tries only grows'; end $$;
create trigger attempt_stands before update or delete or truncate on attempt
  for each statement execute function attempt_stands();

-- Chargers, supplies, dummy loads with their rating, meters with their error.
create table gear (
  club_id bigint not null references club,
  id bigint generated always as identity,
  tag text not null check (tag <> '' and length(tag) <= 40),
  kind text not null check (kind in ('charger', 'supply', 'dummy load', 'meter', 'other')),
  what text not null default '',
  -- with its unit: 12 V 10 A, 50 W for 1 min
  rating text not null default '',
  -- how far a meter may be off: 5 % of reading
  error text not null default '',
  condition text not null default 'sound' check (condition in ('sound', 'worn', 'broken', 'lost')),
  place_id bigint,
  holder_id bigint,
  note text not null default '',
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, place_id) references place (club_id, id),
  foreign key (club_id, holder_id) references person (club_id, id)
);
create unique index gear_tag on gear (club_id, lower(tag)) where shelved_at is null;

-- USB ids that bridge chips answer with: the club's own table.
create table usb_id (
  club_id bigint not null references club,
  vendor integer not null check (vendor between 0 and 65535),
  product integer not null check (product between 0 and 65535),
  family text not null default '',
  name text not null,
  primary key (club_id, vendor, product)
);

-- What could be bought. Price in the smallest coin of the club's currency.
create table offer (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 120),
  seller text not null default '',
  price integer not null check (price > 0),
  gives text not null check (gives in ('lead', 'adapter')),
  kind text not null,
  end_a bigint not null,
  end_b bigint,
  chip_family text,
  chip_grade text not null default 'unknown' check (chip_grade in ('genuine', 'clone', 'unknown')),
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, end_a) references connector (club_id, id),
  foreign key (club_id, end_b) references connector (club_id, id)
);

create function stamp_kit() returns trigger language plpgsql as $$
begin
  update club set kit_stamp = nextval('kit_stamp') where id in (select club_id from changed);
  return null;
end $$;

do $$
declare t text;
begin
  foreach t in array array['connector', 'lead', 'adapter', 'computer', 'computer_port', 'driver', 'tool', 'tool_support',
    'computer_driver', 'computer_tool', 'driver_rule', 'attempt', 'gear', 'usb_id', 'offer']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert on %I to mossy_app', t);
  end loop;
  foreach t in array array['connector', 'lead', 'adapter', 'computer', 'computer_port', 'driver', 'tool', 'tool_support',
    'computer_driver', 'computer_tool', 'driver_rule', 'attempt', 'offer']
  loop
    execute format('create trigger kit_added after insert on %I referencing new table as changed for each statement execute function stamp_kit()', t);
    if t <> 'attempt' then
      execute format('create trigger kit_changed after update on %I referencing new table as changed for each statement execute function stamp_kit()', t);
      execute format('create trigger kit_gone after delete on %I referencing old table as changed for each statement execute function stamp_kit()', t);
      execute format('grant update on %I to mossy_app', t);
    end if;
  end loop;
end $$;
grant update on gear, usb_id to mossy_app;
-- What is installed where is a state, not a record: it comes and goes.
grant delete on computer_port, computer_driver, computer_tool, tool_support, usb_id to mossy_app;
