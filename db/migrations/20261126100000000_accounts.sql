-- Accounts: addresses folded by the application alone, sessions that are seen and ended, links for one use, sign-ins in the log,
-- and a club that keeps a keeper who can sign in.

-- The address as it is compared. Folded in one place (core/club/address.ts); here only for what stands already.
alter table person add column email_key text;
update person set email_key = lower(normalize(email, NFKC)) where email is not null;
alter table person add constraint email_with_key check ((email is null) = (email_key is null));
drop index person_email;
create unique index person_email on person (email_key) where email_key is not null;

alter table session add column id bigint generated always as identity;
alter table session add column seen_at timestamptz not null default now();
-- What the browser called itself when it signed in, shortened.
alter table session add column browser text not null default '' check (length(browser) <= 200);
create index session_of_person on session (club_id, person_id);
grant delete on session to mossy_app;

-- A link that a keeper hands over, so that nobody types another's password. Only its hash is kept.
create table one_time_link (
  club_id bigint not null,
  id bigint generated always as identity,
  person_id bigint not null,
  token_hash bytea not null unique,
  made_by bigint not null,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  used_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  foreign key (club_id, made_by) references person (club_id, id)
);
create index one_time_link_of_person on one_time_link (club_id, person_id);
alter table one_time_link enable row level security;
alter table one_time_link force row level security;
create policy own_club on one_time_link using (club_id = current_club()) with check (club_id = current_club());
create policy keyring on one_time_link to current_user using (true) with check (true);
grant select, insert, update on one_time_link to mossy_app;

-- What the server signs with, so that what it hands out comes back as it was.
create table signing_key (
  only_one boolean primary key default true check (only_one),
  key bytea not null
);
insert into signing_key (key) values (sha256(convert_to(gen_random_uuid()::text || gen_random_uuid()::text, 'UTF8')));
create function signing_key() returns bytea
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select key from signing_key $$;

-- No door may leave the club without a keeper who can sign in, not even two at once that demote each other.
create function club_keeps_a_keeper() returns trigger language plpgsql as $$
begin
  if old.role = 'keeper' and old.shelved_at is null and old.password_hash is not null
    and not (new.role = 'keeper' and new.shelved_at is null and new.password_hash is not null and new.email_key is not null)
  then
    perform pg_advisory_xact_lock(hashtextextended(new.club_id || ' keepers', 0));
    if not exists (
      select from person p where p.club_id = new.club_id and p.id <> new.id and p.role = 'keeper' and p.shelved_at is null
        and p.password_hash is not null and p.email_key is not null)
    then
      raise exception 'the club needs a keeper who can sign in' using errcode = 'MC001';
    end if;
  end if;
  return new;
end $$;
create trigger club_keeps_a_keeper before update on person for each row execute function club_keeps_a_keeper();

drop function sign_in_lookup(text);
create function sign_in_lookup(wanted_key text)
  returns table (club_id bigint, person_id bigint, name text, email text, password_hash text)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select p.club_id, p.id, p.name, p.email, p.password_hash from person p
        where p.email_key = wanted_key and p.shelved_at is null and p.password_hash is not null $$;

-- A sign-in that went wrong, too. An address nobody has belongs to no club; where there is only one, its log says that it happened.
create function log_sign_in(of_club bigint, of_person bigint, what text, told jsonb) returns void
  language sql security definer set search_path = pg_catalog, public, pg_temp
  as $$ insert into log (club_id, person_id, kind, detail)
        select c.id, of_person, what, told from club c
        where c.id = of_club or (of_club is null and (select count(*) from club) = 1) $$;

drop function open_session(bytea, bigint, bigint, interval);
create function open_session(new_hash bytea, of_club bigint, of_person bigint, lasts interval, in_browser text) returns void
  language sql security definer set search_path = pg_catalog, public, pg_temp
  as $$ delete from session where expires_at < now();
        insert into session (token_hash, club_id, person_id, expires_at, browser)
        values (new_hash, of_club, of_person, now() + lasts, in_browser) $$;

-- A session ends by itself after its time, and before that when it was long unused. That it is used is noted now and then.
drop function session_person(bytea);
create function session_person(wanted_hash bytea, unused interval)
  returns table (session_id bigint, club_id bigint, person_id bigint, name text, role text, theme text, club_name text,
    time_zone text, locale text, now timestamptz)
  language sql volatile security definer set search_path = pg_catalog, public, pg_temp
  as $$ update session set seen_at = now() where token_hash = wanted_hash and seen_at > now() - unused
          and seen_at < now() - interval '5 minutes';
        select s.id, s.club_id, s.person_id, p.name, p.role, p.theme, c.name, c.time_zone, c.locale, now()
        from session s join person p on p.club_id = s.club_id and p.id = s.person_id join club c on c.id = s.club_id
        where s.token_hash = wanted_hash and s.expires_at > now() and s.seen_at > now() - unused and p.shelved_at is null $$;

create function link_lookup(wanted_hash bytea)
  returns table (club_id bigint, person_id bigint, name text, email text, club_name text, has_password boolean)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select l.club_id, l.person_id, p.name, p.email, c.name, p.password_hash is not null
        from one_time_link l join person p on p.club_id = l.club_id and p.id = l.person_id join club c on c.id = l.club_id
        where l.token_hash = wanted_hash and l.used_at is null and l.expires_at > now()
          and p.shelved_at is null and p.email is not null $$;

-- The link is used up, the password set, whatever was open is closed, and the log says so; or nothing of it.
create function use_link(wanted_hash bytea, new_password text)
  returns table (club_id bigint, person_id bigint)
  language plpgsql security definer set search_path = pg_catalog, public, pg_temp
  as $$
declare found record;
begin
  update one_time_link l set used_at = now() from person p
    where l.token_hash = wanted_hash and l.used_at is null and l.expires_at > now()
      and p.club_id = l.club_id and p.id = l.person_id and p.shelved_at is null and p.email is not null
    returning l.club_id, l.person_id into found;
  if found.person_id is null then return; end if;
  update person p set password_hash = new_password where p.club_id = found.club_id and p.id = found.person_id;
  delete from session s where s.club_id = found.club_id and s.person_id = found.person_id;
  update one_time_link l set used_at = now()
    where l.club_id = found.club_id and l.person_id = found.person_id and l.used_at is null;
  insert into log (club_id, person_id, kind, detail)
    values (found.club_id, found.person_id, 'password-changed', jsonb_build_object('how', 'link'));
  return query select found.club_id, found.person_id;
end $$;

drop function found_club(text, text, text, text, text, timestamptz);
create function found_club(
  club_name text, zone text, keeper_name text, keeper_email text, keeper_key text, keeper_hash text, founded_at timestamptz
)
  returns table (club_id bigint, person_id bigint)
  language plpgsql security definer set search_path = pg_catalog, public, pg_temp
  as $$
declare new_club bigint; new_person bigint;
begin
  perform pg_advisory_xact_lock(4700);
  if exists (select from club) then return; end if;
  insert into club (name, time_zone) values (club_name, zone) returning id into new_club;
  insert into person (club_id, name, email, email_key, password_hash, role)
    values (new_club, keeper_name, keeper_email, keeper_key, keeper_hash, 'keeper') returning id into new_person;
  insert into log (club_id, at, person_id, kind, detail)
    values (new_club, founded_at, new_person, 'club-founded', jsonb_build_object('name', club_name));
  return query select new_club, new_person;
end $$;

revoke all on function signing_key, sign_in_lookup, log_sign_in, open_session, session_person, link_lookup, use_link, found_club
  from public;
grant execute on function signing_key, sign_in_lookup, log_sign_in, open_session, session_person, link_lookup, use_link, found_club
  to mossy_app;
