-- The ground: clubs, people, sessions, and everything the first slice records.
-- Every record carries its club; the primary keys begin with it, so that no reference can cross clubs.
-- The role mossy_app owns nothing and sees one club at a time: the one set by withClub for a transaction.

create collation natural_order (provider = icu, locale = 'en-u-kn-true');

create function current_club() returns bigint language sql stable parallel safe
  as $$ select nullif(current_setting('mossy.club', true), '')::bigint $$;

create table club (
  id bigint generated always as identity primary key,
  name text not null check (name <> ''),
  time_zone text not null,
  locale text not null default 'en-GB',
  created_at timestamptz not null default now()
);

create table person (
  club_id bigint not null references club,
  id bigint generated always as identity unique,
  name text not null check (name <> ''),
  email text,
  password_hash text,
  role text not null check (role in ('keeper', 'bench', 'member')),
  call_sign text,
  licence_class text,
  theme text not null default 'auto' check (theme in ('auto', 'fern', 'lamp')),
  shelved_at timestamptz,
  primary key (club_id, id)
);
create unique index person_email on person (lower(email)) where email is not null;

create table session (
  token_hash bytea primary key,
  club_id bigint not null,
  person_id bigint not null,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null,
  foreign key (club_id, person_id) references person (club_id, id)
);
create index session_expiry on session (expires_at);

-- Sign-in attempts, counted per account and per address (shape given by rate-limiter-flexible).
create table sign_in_attempt (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

create table place (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> ''),
  kind text not null check (kind in ('shelf', 'hut', 'vehicle', 'room')),
  note text not null default '',
  position integer not null default 0,
  shelved_at timestamptz,
  primary key (club_id, id)
);
create unique index place_name on place (club_id, lower(name)) where shelved_at is null;

create table unit_group (
  club_id bigint not null references club,
  id bigint generated always as identity,
  name text not null check (name <> ''),
  purpose text not null default '',
  policy jsonb not null,
  position integer not null default 0,
  shelved_at timestamptz,
  primary key (club_id, id)
);
create unique index unit_group_name on unit_group (club_id, lower(name)) where shelved_at is null;

create table model (
  club_id bigint not null references club,
  id bigint generated always as identity,
  maker text not null default '',
  name text not null check (name <> ''),
  kind text not null check (kind in ('handheld', 'mobile', 'base', 'module')),
  note text not null default '',
  suffixes text[] not null default '{}',
  shelved_at timestamptz,
  primary key (club_id, id)
);
create unique index model_name on model (club_id, lower(maker), lower(name)) where shelved_at is null;

create table hardware_revision (
  club_id bigint not null,
  id bigint generated always as identity,
  model_id bigint not null,
  name text not null check (name <> ''),
  how_to_tell text not null default '',
  primary key (club_id, id),
  unique (club_id, model_id, id),
  foreign key (club_id, model_id) references model (club_id, id)
);
create unique index hardware_revision_name on hardware_revision (club_id, model_id, lower(name));

create table component (
  club_id bigint not null,
  id bigint generated always as identity,
  model_id bigint not null,
  name text not null check (name <> ''),
  position integer not null default 0,
  -- The numbering once a person has confirmed it; null means it is inferred from the releases.
  numbering jsonb,
  numbering_by bigint,
  numbering_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id),
  foreign key (club_id, numbering_by) references person (club_id, id)
);
create unique index component_name on component (club_id, model_id, lower(name));

create table release (
  club_id bigint not null,
  id bigint generated always as identity,
  component_id bigint not null,
  version text not null check (version <> '' and length(version) <= 200),
  aliases text[] not null default '{}',
  track text not null check (track in ('factory', 'beta', 'community')),
  released_on date not null,
  withdrawn_on date,
  withdrawn_why text,
  -- null: fits every revision, every region
  hardware_revisions bigint[],
  regions text[],
  fixes jsonb not null default '[]',
  notes text not null default '',
  source text not null default '',
  -- the catalogue's own order, for the numbering "listed"
  position integer not null default 0,
  created_at timestamptz not null default now(),
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, component_id) references component (club_id, id),
  check ((withdrawn_on is null) = (withdrawn_why is null))
);
create index release_component on release (club_id, component_id, released_on);

create table unit (
  club_id bigint not null references club,
  id bigint generated always as identity,
  tag text not null check (tag <> '' and length(tag) <= 40),
  model_id bigint not null,
  hardware_revision_id bigint,
  region text,
  serial text not null default '',
  note text not null default '',
  group_id bigint,
  place_id bigint,
  slot integer not null default 0,
  added_on date not null,
  hold_until date,
  hold_why text,
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id),
  foreign key (club_id, model_id, hardware_revision_id) references hardware_revision (club_id, model_id, id),
  foreign key (club_id, group_id) references unit_group (club_id, id),
  foreign key (club_id, place_id) references place (club_id, id),
  check ((hold_until is null) = (hold_why is null))
);
create unique index unit_tag on unit (club_id, lower(tag)) where shelved_at is null;
create index unit_model on unit (club_id, model_id);
create index unit_group_of on unit (club_id, group_id);
create index unit_place on unit (club_id, place_id, slot);

create table reading (
  club_id bigint not null,
  id bigint generated always as identity,
  unit_id bigint not null,
  component_id bigint not null,
  raw text not null check (raw <> '' and length(raw) <= 200),
  source text not null check (source in ('screen', 'power-on', 'keys', 'tool', 'label', 'flash', 'hearsay')),
  read_at timestamptz not null,
  read_by bigint,
  note text not null default '',
  -- the form's own number, so that a form sent twice is one reading
  receipt uuid,
  primary key (club_id, id),
  unique (club_id, receipt),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, component_id) references component (club_id, id),
  foreign key (club_id, read_by) references person (club_id, id)
);
create index reading_newest on reading (club_id, unit_id, component_id, read_at desc, id desc);

create table custody (
  club_id bigint not null,
  id bigint generated always as identity,
  unit_id bigint not null,
  person_id bigint not null,
  out_on date not null,
  due_back date,
  back_on date,
  note text not null default '',
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  check (back_on is null or back_on >= out_on)
);
create unique index custody_one_at_a_time on custody (club_id, unit_id) where back_on is null;
create index custody_of_unit on custody (club_id, unit_id, back_on desc);
create index custody_of_person on custody (club_id, person_id) where back_on is null;

-- Derived, never typed: core/needs works them out, db/needs.ts keeps them. What is due today is due_from <= today.
create table need (
  club_id bigint not null,
  unit_id bigint not null,
  kind text not null,
  component_id bigint not null,
  due_from date not null,
  due_to date,
  held_from date,
  cause text not null,
  urgency smallint not null check (urgency between 0 and 2),
  -- what can be done about it: install, read, look-up, ask-back
  doing text not null,
  targets jsonb not null,
  because jsonb not null,
  primary key (club_id, unit_id, kind, component_id, due_from),
  foreign key (club_id, unit_id) references unit (club_id, id)
);
create index need_board on need (club_id, doing, urgency desc, due_from, unit_id);
create index need_held on need (club_id, held_from) where held_from is not null;

create table log (
  club_id bigint not null references club,
  id bigint generated always as identity,
  at timestamptz not null default now(),
  person_id bigint,
  kind text not null,
  unit_id bigint,
  model_id bigint,
  detail jsonb not null default '{}',
  primary key (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id)
);
create index log_latest on log (club_id, at desc, id desc);
create index log_of_unit on log (club_id, unit_id, at desc, id desc);

create function log_only_grows() returns trigger language plpgsql as $$
begin raise exception 'the log only grows'; end $$;
create trigger log_only_grows before update or delete or truncate on log
  for each statement execute function log_only_grows();

create function reading_stands() returns trigger language plpgsql as $$
begin raise exception 'a reading is never edited, only followed by another'; end $$;
create trigger reading_stands before update or delete or truncate on reading
  for each statement execute function reading_stands();

-- Clubs kept apart by the database itself, even for the owner of the tables.
do $$
declare t text;
begin
  foreach t in array array['club', 'person', 'session', 'place', 'unit_group', 'model', 'hardware_revision', 'component',
    'release', 'unit', 'reading', 'custody', 'need', 'log']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (%I = current_club()) with check (%I = current_club())',
      t, case t when 'club' then 'id' else 'club_id' end, case t when 'club' then 'id' else 'club_id' end);
  end loop;
end $$;

-- Signing in happens before a club is known: the functions below, and they alone, look across clubs as the owner.
create policy keyring on club to current_user using (true) with check (true);
create policy keyring on person to current_user using (true) with check (true);
create policy keyring on session to current_user using (true) with check (true);
create policy keyring on log to current_user using (true) with check (true);

create function sign_in_lookup(wanted_email text)
  returns table (club_id bigint, person_id bigint, password_hash text)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select p.club_id, p.id, p.password_hash from person p
        where lower(p.email) = lower(wanted_email) and p.shelved_at is null and p.password_hash is not null $$;

create function open_session(new_hash bytea, of_club bigint, of_person bigint, lasts interval) returns void
  language sql security definer set search_path = pg_catalog, public, pg_temp
  as $$ delete from session where expires_at < now();
        insert into session (token_hash, club_id, person_id, expires_at) values (new_hash, of_club, of_person, now() + lasts) $$;

create function session_person(wanted_hash bytea)
  returns table (club_id bigint, person_id bigint, name text, role text, theme text, club_name text, time_zone text, locale text)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select s.club_id, s.person_id, p.name, p.role, p.theme, c.name, c.time_zone, c.locale
        from session s join person p on p.club_id = s.club_id and p.id = s.person_id join club c on c.id = s.club_id
        where s.token_hash = wanted_hash and s.expires_at > now() and p.shelved_at is null $$;

create function close_session(wanted_hash bytea) returns void
  language sql security definer set search_path = pg_catalog, public, pg_temp
  as $$ delete from session where token_hash = wanted_hash $$;

create function any_club() returns boolean
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select exists (select from club) $$;

-- The first visit to a new install makes the club and its keeper; later visits find the door closed.
create function found_club(club_name text, zone text, keeper_name text, keeper_email text, keeper_hash text)
  returns table (club_id bigint, person_id bigint)
  language plpgsql security definer set search_path = pg_catalog, public, pg_temp
  as $$
declare new_club bigint; new_person bigint;
begin
  perform pg_advisory_xact_lock(4700);
  if exists (select from club) then return; end if;
  insert into club (name, time_zone) values (club_name, zone) returning id into new_club;
  insert into person (club_id, name, email, password_hash, role)
    values (new_club, keeper_name, keeper_email, keeper_hash, 'keeper') returning id into new_person;
  insert into log (club_id, person_id, kind, detail)
    values (new_club, new_person, 'club-founded', jsonb_build_object('name', club_name));
  return query select new_club, new_person;
end $$;

revoke all on function sign_in_lookup, open_session, session_person, close_session, any_club, found_club from public;
grant usage on schema public to mossy_app;
grant execute on function sign_in_lookup, open_session, session_person, close_session, any_club, found_club to mossy_app;
grant select, update (name, time_zone, locale) on club to mossy_app;
grant select, insert, update on person, place, unit_group, model, hardware_revision, component, release, unit, custody to mossy_app;
grant select on session to mossy_app;
grant select, insert on reading, log to mossy_app;
grant select, insert, update, delete on need to mossy_app;
grant select, insert, update, delete on sign_in_attempt to mossy_app;
