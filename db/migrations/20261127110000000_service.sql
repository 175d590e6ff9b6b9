-- What a model's service menu holds, and the region or type codes that a radio and its tool must agree on.
create table service_item (
  club_id bigint not null references club,
  id bigint generated always as identity,
  model_id bigint not null,
  kind text not null check (kind in ('setting', 'code')),
  name text not null check (name <> '' and length(name) <= 60),
  -- of a setting: where it is, what it means, what is usual, why it is never touched; of a code: what it means, the tool's setting, the error
  facts jsonb not null,
  source jsonb not null,
  position integer not null default 0,
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id)
);
create unique index service_item_name on service_item (club_id, model_id, kind, lower(name)) where shelved_at is null;

-- Which value a setting has in one radio. The last one counts.
create table unit_setting (
  club_id bigint not null references club,
  id bigint generated always as identity,
  unit_id bigint not null,
  item_id bigint not null,
  value text not null check (value <> '' and length(value) <= 60),
  -- it was changed to this, or somebody looked and found it so
  changed boolean not null,
  why text not null default '' check (length(why) <= 300),
  at timestamptz not null default now(),
  person_id bigint not null,
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, item_id) references service_item (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id)
);
create index unit_setting_newest on unit_setting (club_id, unit_id, item_id, at desc, id desc);

do $$
declare t text;
begin
  foreach t in array array['service_item', 'unit_setting']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert on %I to mossy_app', t);
  end loop;
end $$;
grant update on service_item to mossy_app;
