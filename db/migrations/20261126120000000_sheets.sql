-- What the columns of sheets meant the last time, and which words mean nothing: so that the next sheet is read as this one was.
create table sheet_head (
  club_id bigint not null references club,
  head text not null check (length(head) <= 200),
  meaning text not null check (length(meaning) <= 100),
  used_at timestamptz not null default now(),
  primary key (club_id, head)
);
alter table sheet_head enable row level security;
alter table sheet_head force row level security;
create policy own_club on sheet_head using (club_id = current_club()) with check (club_id = current_club());
grant select, insert, update on sheet_head to mossy_app;
-- null: the usual ones
alter table club add column sheet_nothing text[];
grant update (sheet_nothing) on club to mossy_app;

-- The key of the server is nobody's row: not even its owner reads it but by the function for it.
alter table signing_key enable row level security;
alter table signing_key force row level security;
create policy keyring on signing_key to current_user using (true);
