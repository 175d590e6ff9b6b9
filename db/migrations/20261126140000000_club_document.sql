-- A club's own document brings its rows with their numbers; the next new ones must get others. Numbers only ever go up.
create function advance_ids(of_table text, at_least bigint) returns void
  language plpgsql security definer set search_path = pg_catalog, public, pg_temp
  as $$
declare seq text := pg_get_serial_sequence(format('public.%I', of_table), 'id');
begin
  if seq is null or at_least < 1 or at_least > 1000000000000 then return; end if;
  perform setval(seq, greatest(at_least, nextval(seq)));
end $$;
revoke all on function advance_ids from public;
grant execute on function advance_ids to mossy_app;
