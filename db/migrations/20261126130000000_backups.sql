-- When all of it was last kept in a file: said on the club's page. Written by ./backup, as the administrator of the database.
create table backup_made (
  id bigint generated always as identity primary key,
  made_at timestamptz not null default now(),
  bytes bigint not null,
  verified_at timestamptz
);
alter table backup_made enable row level security;
alter table backup_made force row level security;
create policy keyring on backup_made to current_user using (true) with check (true);
create function last_backup() returns table (made_at timestamptz, verified_at timestamptz)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select b.made_at, b.verified_at from backup_made b order by b.made_at desc, b.id desc limit 1 $$;
revoke all on function last_backup from public;
grant execute on function last_backup to mossy_app;
