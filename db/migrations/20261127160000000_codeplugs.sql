-- What a model's codeplug holds; and the mode for which the plan is laid out for it.
create table codeplug_facts (
  club_id bigint not null references club,
  model_id bigint not null,
  facts jsonb not null,
  -- absent: its first
  mode_id bigint,
  primary key (club_id, model_id),
  foreign key (club_id, model_id) references model (club_id, id),
  foreign key (club_id, mode_id) references mode (club_id, id)
);

-- The club's plan of channels, revision by revision. One may be a draft: not issued yet, and changed in place.
create table channel_plan (
  club_id bigint not null references club,
  id bigint generated always as identity,
  number integer not null check (number > 0),
  blocks jsonb not null,
  note text not null default '' check (length(note) <= 300),
  -- how often the draft was changed: who changes it says which they saw
  version integer not null default 1,
  at timestamptz not null default now(),
  person_id bigint not null,
  issued_at timestamptz,
  primary key (club_id, id),
  unique (club_id, number),
  foreign key (club_id, person_id) references person (club_id, id)
);
create unique index channel_plan_draft on channel_plan (club_id) where issued_at is null;

-- A revision of the plan as the table of one model.
create table plan_table (
  club_id bigint not null references club,
  id bigint generated always as identity,
  plan_id bigint not null,
  model_id bigint not null,
  laid jsonb not null,
  -- of its channels; and of the file that is written into a radio
  sum text not null check (sum ~ '^[0-9a-f]{64}$'),
  sha256 text not null check (sha256 ~ '^[0-9a-f]{64}$'),
  primary key (club_id, id),
  unique (club_id, plan_id, model_id),
  foreign key (club_id, plan_id) references channel_plan (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id)
);
create index plan_table_sum on plan_table (club_id, sum);
create index plan_table_file on plan_table (club_id, sha256);

-- What was in a radio, as far as it is known: read out, made, written, written back, brought in, erased.
create table codeplug (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint not null,
  source text not null check (source in ('read', 'written', 'restored', 'brought', 'made', 'erased')),
  -- the file's name, or how else it came
  name text not null check (length(name) <= 200),
  parent_id bigint,
  plan_table_id bigint,
  backup_id bigint,
  run_id bigint,
  -- absent: nobody knows which channels it has
  channels jsonb,
  sum text check (sum ~ '^[0-9a-f]{64}$'),
  lists jsonb not null default '{}',
  at timestamptz not null default now(),
  person_id bigint not null,
  primary key (club_id, id),
  check ((channels is null) = (sum is null)),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, parent_id) references codeplug (club_id, id),
  foreign key (club_id, plan_table_id) references plan_table (club_id, id),
  foreign key (club_id, backup_id) references backup (club_id, id),
  foreign key (club_id, run_id) references run (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create index codeplug_of_unit on codeplug (club_id, unit_id, at desc, id desc);
create index codeplug_of_run on codeplug (club_id, run_id) where run_id is not null;

-- The last of each radio.
create table codeplug_now (
  club_id bigint not null references club,
  unit_id bigint not null,
  codeplug_id bigint not null,
  sum text,
  at timestamptz not null,
  primary key (club_id, unit_id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, codeplug_id) references codeplug (club_id, id)
);
create index codeplug_now_of on codeplug_now (club_id, codeplug_id);

-- The club's own directory of repeaters. Frequencies in hertz, as a radio has them.
create table repeater (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 60),
  receive bigint not null check (receive > 0),
  transmit bigint not null check (transmit > 0),
  digital boolean not null default false,
  open boolean not null default true,
  -- {sends, hears, colour, slot, talkgroup}
  access jsonb not null default '{}',
  latitude double precision check (latitude between -90 and 90),
  longitude double precision check (longitude between -180 and 180),
  note text not null default '' check (length(note) <= 300),
  shelved_at timestamptz,
  primary key (club_id, id),
  check ((latitude is null) = (longitude is null))
);
create unique index repeater_once on repeater (club_id, lower(name), receive) where shelved_at is null;

-- That somebody heard one, or confirmed its entry.
create table repeater_heard (
  club_id bigint not null references club,
  id bigint generated always as identity,
  repeater_id bigint not null,
  on_day date not null,
  how text not null check (how in ('heard', 'confirmed')),
  person_id bigint not null,
  primary key (club_id, id),
  foreign key (club_id, repeater_id) references repeater (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create index repeater_heard_last on repeater_heard (club_id, repeater_id, on_day desc);

-- What each column of a dialect means, by name.
create table channel_mapping (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> '' and length(name) <= 60),
  mapping jsonb not null,
  at timestamptz not null default now(),
  person_id bigint not null,
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create unique index channel_mapping_once on channel_mapping (club_id, lower(name)) where shelved_at is null;

-- Digital IDs and call signs of radios and people.
create table identity (
  club_id bigint not null references club,
  id bigint generated always as identity,
  kind text not null check (kind in ('digital', 'call')),
  unit_id bigint,
  owner_id bigint,
  -- absent: it has not arrived
  value text check (value <> '' and length(value) <= 20),
  asked_on date,
  usually_days integer check (usually_days between 0 and 3650),
  note text not null default '' check (length(note) <= 300),
  at timestamptz not null default now(),
  person_id bigint not null,
  shelved_at timestamptz,
  primary key (club_id, id),
  check (num_nonnulls(unit_id, owner_id) = 1),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, owner_id) references person (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create index identity_of_unit on identity (club_id, unit_id) where shelved_at is null;

-- What was known of channels becomes revisions.
alter table unit_channels no force row level security;
insert into codeplug (club_id, unit_id, source, name, channels, sum, at, person_id)
select c.club_id, c.unit_id, 'brought', c.name, t.channels, encode(sha256(convert_to(t.channels::text, 'utf8')), 'hex'), c.at, c.person_id
from unit_channels c cross join lateral (
  select coalesce(jsonb_agg(jsonb_build_object('position', o.place, 'digital', false) || o.channel order by o.place), '[]') channels
  from jsonb_array_elements(c.channels) with ordinality o(channel, place)) t
order by c.at, c.id;
insert into codeplug_now (club_id, unit_id, codeplug_id, sum, at)
select distinct on (club_id, unit_id) club_id, unit_id, id, sum, at from codeplug order by club_id, unit_id, at desc, id desc;
drop table unit_channels;

do $$
declare t text;
begin
  foreach t in array array['codeplug_facts', 'channel_plan', 'plan_table', 'codeplug', 'codeplug_now', 'repeater', 'repeater_heard', 'channel_mapping', 'identity'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert, update on %I to mossy_app', t);
  end loop;
end $$;
grant delete on channel_plan to mossy_app;

alter table need drop constraint need_action_check;
alter table need add constraint need_action_check check (action between 0 and 11);
