-- Links and sessions end where they must: a link when what it was made for has changed, and what a wrong clock dated too far ahead has passed.

-- Whose role or address changes: what was handed over before is good no more.
create function end_links() returns trigger
  language plpgsql security definer set search_path = pg_catalog, public, pg_temp
  as $$
begin
  update one_time_link set expires_at = now()
    where club_id = new.club_id and person_id = new.id and used_at is null and expires_at > now();
  return null;
end $$;
create trigger links_end after update of role, email_key on person
  for each row when (old.role is distinct from new.role or old.email_key is distinct from new.email_key)
  execute function end_links();

-- No end lies further off than the longest term: one that does was set by a clock that was wrong.
drop function session_person(bytea, interval);
create function session_person(wanted_hash bytea, unused interval, lasts interval)
  returns table (session_id bigint, club_id bigint, person_id bigint, name text, role text, theme text, club_name text,
    time_zone text, locale text, now timestamptz)
  language sql volatile security definer set search_path = pg_catalog, public, pg_temp
  as $$ update session set seen_at = now() where token_hash = wanted_hash and seen_at > now() - unused
          and seen_at < now() - interval '5 minutes';
        select s.id, s.club_id, s.person_id, p.name, p.role, p.theme, c.name, c.time_zone, c.locale, now()
        from session s join person p on p.club_id = s.club_id and p.id = s.person_id join club c on c.id = s.club_id
        where s.token_hash = wanted_hash and s.expires_at > now() and s.expires_at <= now() + lasts
          and s.seen_at > now() - unused and p.shelved_at is null $$;

drop function link_lookup(bytea);
create function link_lookup(wanted_hash bytea, lasts interval)
  returns table (club_id bigint, person_id bigint, name text, email text, club_name text, has_password boolean)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select l.club_id, l.person_id, p.name, p.email, c.name, p.password_hash is not null
        from one_time_link l join person p on p.club_id = l.club_id and p.id = l.person_id join club c on c.id = l.club_id
        where l.token_hash = wanted_hash and l.used_at is null and l.expires_at > now() and l.expires_at <= now() + lasts
          and p.shelved_at is null and p.email is not null $$;

drop function use_link(bytea, text);
create function use_link(wanted_hash bytea, new_password text, lasts interval)
  returns table (club_id bigint, person_id bigint)
  language plpgsql security definer set search_path = pg_catalog, public, pg_temp
  as $$
declare found record;
begin
  update one_time_link l set used_at = now() from person p
    where l.token_hash = wanted_hash and l.used_at is null and l.expires_at > now() and l.expires_at <= now() + lasts
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

revoke execute on function session_person, link_lookup, use_link, end_links from public;
grant execute on function session_person, link_lookup, use_link to mossy_app;
