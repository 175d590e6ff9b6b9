-- Which acts have been done, by the key that came with each: the same act with the same key is done once, and answered as it was then.
create table act_done (
  club_id bigint not null references club,
  -- a hash of the key, the act and its input: one key may serve the several forms of a page
  key text not null check (length(key) = 64),
  act text not null check (length(act) <= 60),
  at timestamptz not null default now(),
  -- null only inside of the transaction that does it
  answer jsonb,
  primary key (club_id, key)
);
create index act_done_old on act_done (club_id, at);
alter table act_done enable row level security;
alter table act_done force row level security;
create policy own_club on act_done using (club_id = current_club()) with check (club_id = current_club());
grant select, insert, update, delete on act_done to mossy_app;
