-- What speaks Bluetooth, or has a battery: programmers (each a lead), radios (each a unit), buttons, headsets, earpieces, vehicles.
create table device (
  club_id bigint not null references club,
  id bigint generated always as identity,
  kind text not null check (kind in ('programmer', 'radio', 'button', 'headset', 'earpiece', 'vehicle')),
  -- of a programmer its lead's counts, of a radio the unit's
  tag text not null check (tag <> '' and length(tag) <= 40),
  lead_id bigint,
  -- the radio that it is; of a programmer, under which its own firmware is kept
  unit_id bigint,
  -- its type: what is known of pairing goes by it
  what text not null default '' check (length(what) <= 80),
  -- the name it shows to those who look for it
  shows text not null default '' check (length(shows) <= 80),
  address text check (address ~ '^[0-9A-F]{2}(:[0-9A-F]{2}){5}$'),
  app text not null default '' check (length(app) <= 80),
  app_version text not null default '' check (length(app_version) <= 40),
  -- permissions and accounts that the app wants
  app_needs text not null default '' check (length(app_needs) <= 300),
  -- [{model, as}]: which models it serves, and under which name
  serves jsonb not null default '[]',
  full_minutes integer check (full_minutes between 1 and 10000),
  -- in percent: by itself in a day, and for each radio that it programs
  idle_per_day double precision check (idle_per_day between 0 and 100),
  per_use double precision check (per_use between 0 and 100),
  lamp text not null default '' check (length(lamp) <= 500),
  battery text not null default 'sound' check (battery in ('sound', 'swollen', 'retired', 'none')),
  charger_id bigint,
  -- how many radios it stays paired with at once
  holds integer not null default 1 check (holds between 1 and 100),
  offers text not null default '' check (length(offers) <= 300),
  fails text not null default '' check (length(fails) <= 500),
  condition text not null default 'sound' check (condition in ('sound', 'worn', 'broken', 'lost')),
  place_id bigint,
  holder_id bigint,
  -- a made-up one stands in for it
  simulated boolean not null default false,
  note text not null default '' check (length(note) <= 500),
  shelved_at timestamptz,
  primary key (club_id, id),
  check ((kind = 'programmer') = (lead_id is not null)),
  check (kind <> 'radio' or unit_id is not null),
  check (kind in ('programmer', 'radio') or unit_id is null),
  foreign key (club_id, lead_id) references lead (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, charger_id) references gear (club_id, id),
  foreign key (club_id, place_id) references place (club_id, id),
  foreign key (club_id, holder_id) references person (club_id, id)
);
create unique index device_tag on device (club_id, lower(tag)) where shelved_at is null and kind not in ('programmer', 'radio');
create unique index device_lead on device (club_id, lead_id) where lead_id is not null;
create unique index device_unit on device (club_id, unit_id) where unit_id is not null;
create unique index device_address on device (club_id, address) where shelved_at is null;

alter table gear add places integer not null default 1 check (places between 1 and 200);

-- What was seen of a battery, or done to it. Never changed, only struck.
create table charge (
  club_id bigint not null references club,
  id bigint generated always as identity,
  device_id bigint not null,
  kind text not null check (kind in ('level', 'used', 'plugged', 'unplugged')),
  percent double precision check (percent between 0 and 100),
  how text not null default 'typed' check (how in ('typed', 'read', 'run')),
  at timestamptz not null,
  person_id bigint not null,
  struck_at timestamptz,
  struck_by bigint,
  struck_why text,
  primary key (club_id, id),
  check ((percent is not null) = (kind in ('level', 'used'))),
  foreign key (club_id, device_id) references device (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  foreign key (club_id, struck_by) references person (club_id, id)
);
create index charge_of_device on charge (club_id, device_id, at desc);

-- A unit and a device that were paired.
create table pairing (
  club_id bigint not null references club,
  id bigint generated always as identity,
  device_id bigint not null,
  unit_id bigint not null,
  since timestamptz not null,
  -- what is set otherwise than recommended, in this one
  settings text not null default '' check (length(settings) <= 500),
  person_id bigint not null,
  ended_at timestamptz,
  ended_why text check (length(ended_why) <= 300),
  primary key (club_id, id),
  foreign key (club_id, device_id) references device (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create unique index pairing_once on pairing (club_id, device_id, unit_id) where ended_at is null;
create index pairing_of_unit on pairing (club_id, unit_id) where ended_at is null;

-- That it held, dropped, failed, or was lost to a reset or a flash.
create table pairing_event (
  club_id bigint not null references club,
  id bigint generated always as identity,
  pairing_id bigint not null,
  kind text not null check (kind in ('proved', 'dropped', 'failed', 'lost')),
  note text not null default '' check (length(note) <= 300),
  at timestamptz not null,
  person_id bigint not null,
  primary key (club_id, id),
  foreign key (club_id, pairing_id) references pairing (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create index pairing_event_of on pairing_event (club_id, pairing_id, at desc, id desc);

-- How a type of device is paired with a model, or with any: the menu, the presses, what is seen, what is set and why.
create table pair_advice (
  club_id bigint not null references club,
  id bigint generated always as identity,
  what text not null check (what <> '' and length(what) <= 80),
  model_id bigint,
  menu text not null default '' check (length(menu) <= 200),
  wrong_menu text not null default '' check (length(wrong_menu) <= 200),
  -- what is seen in that one, although it leads nowhere
  wrong_shows text not null default '' check (length(wrong_shows) <= 300),
  steps jsonb not null default '[]',
  pin text not null default '' check (length(pin) <= 20),
  pin_seconds integer check (pin_seconds between 1 and 3600),
  shows text not null default '' check (length(shows) <= 200),
  -- [{name, value, why}]
  settings jsonb not null default '[]',
  fails text not null default '' check (length(fails) <= 500),
  source jsonb not null,
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id)
);
create unique index pair_advice_once on pair_advice (club_id, lower(what), coalesce(model_id, 0)) where shelved_at is null;

-- What a programmer keeps to write into radios: from which radio it was read, if from any.
create table profile (
  club_id bigint not null references club,
  id bigint generated always as identity,
  device_id bigint not null,
  name text not null check (name <> '' and length(name) <= 80),
  backup_id bigint not null,
  person_id bigint not null,
  at timestamptz not null default now(),
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, device_id) references device (club_id, id),
  foreign key (club_id, backup_id) references backup (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create unique index profile_name on profile (club_id, device_id, lower(name)) where shelved_at is null;

-- Into which radios a profile was written.
create table profile_use (
  club_id bigint not null references club,
  id bigint generated always as identity,
  profile_id bigint not null,
  unit_id bigint not null,
  at timestamptz not null default now(),
  person_id bigint not null,
  primary key (club_id, id),
  foreign key (club_id, profile_id) references profile (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);

do $$
declare t text;
begin
  foreach t in array array['device', 'charge', 'pairing', 'pairing_event', 'pair_advice', 'profile', 'profile_use']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert on %I to mossy_app', t);
  end loop;
end $$;
grant update on device, pair_advice to mossy_app;
grant update (struck_at, struck_by, struck_why) on charge to mossy_app;
grant update (settings, ended_at, ended_why) on pairing to mossy_app;
grant update (shelved_at) on profile to mossy_app;

-- The programmers among the leads.
alter table lead no force row level security;
insert into device (club_id, kind, tag, lead_id) select club_id, 'programmer', tag, id from lead where kind = 'programmer';
alter table lead force row level security;
do $$
declare t text;
begin
  foreach t in array array['device', 'charge', 'pairing', 'pairing_event', 'pair_advice', 'profile', 'profile_use']
  loop
    execute format('alter table %I force row level security', t);
  end loop;
end $$;

-- What is done about a need may be to pair.
alter table need drop constraint need_action_check;
alter table need add constraint need_action_check check (action between 0 and 9);
