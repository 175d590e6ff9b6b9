-- A club may have been founded before it comes here, as the demo was: the log tells it then.
drop function found_club(text, text, text, text, text);
create function found_club(
  club_name text, zone text, keeper_name text, keeper_email text, keeper_hash text, founded_at timestamptz
)
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
  insert into log (club_id, at, person_id, kind, detail)
    values (new_club, founded_at, new_person, 'club-founded', jsonb_build_object('name', club_name));
  return query select new_club, new_person;
end $$;
revoke all on function found_club from public;
grant execute on function found_club to mossy_app;
