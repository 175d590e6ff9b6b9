-- Work too long for the transaction of its cause: what is being brought up to date, and how far it has come.
create table work (
  club_id bigint not null references club,
  id bigint generated always as identity,
  scope jsonb not null,
  why text not null,
  total integer not null,
  done integer not null default 0,
  -- the last unit done, in order of id; a killed server goes on behind it
  last_unit bigint not null default 0,
  started_by bigint not null,
  started_at timestamptz not null default now(),
  finished_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, started_by) references person (club_id, id)
);
create index work_open on work (club_id) where finished_at is null;
alter table work enable row level security;
alter table work force row level security;
create policy own_club on work using (club_id = current_club()) with check (club_id = current_club());
create policy keyring on work to current_user using (true) with check (true);
grant select, insert, update on work to mossy_app;

-- A server that starts asks, before any club is known, what the last one left unfinished.
create function unfinished_work() returns table (club_id bigint, person_id bigint, id bigint)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp
  as $$ select w.club_id, w.started_by, w.id from work w where w.finished_at is null $$;
revoke all on function unfinished_work from public;
grant execute on function unfinished_work to mossy_app;
