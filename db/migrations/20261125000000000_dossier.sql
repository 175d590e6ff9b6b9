-- Dossiers: conditions of releases, what a model is known by, procedures, quirks, files by content, and who confirmed what.
alter table release
  add conditions jsonb not null default '{}',
  -- its conditions contradict each other: kept, but never a target nor a step of a route
  add draft boolean not null default false,
  add file_sha256 text check (file_sha256 ~ '^[0-9a-f]{64}$'),
  add file_size bigint check (file_size >= 0),
  add file_name text not null default '';

-- Shapes: core/dossier/model.ts and procedure.ts.
alter table model add identity jsonb not null default '{}';
alter table component add reading jsonb not null default '{}';

create table procedure (
  club_id bigint not null,
  id bigint generated always as identity,
  model_id bigint not null,
  purpose text not null,
  title text not null check (title <> '' and length(title) <= 120),
  -- what it does beside its purpose: harmless, mode, unlock, erase
  effect text not null default 'harmless' check (effect in ('harmless', 'mode', 'unlock', 'erase')),
  steps jsonb not null default '[]',
  -- which component's firmware it is valid for, as a range; null: all
  component_id bigint,
  firmware jsonb,
  hardware_revisions bigint[],
  minutes integer not null default 5 check (minutes between 1 and 1000),
  source jsonb not null,
  draft boolean not null default false,
  position integer not null default 0,
  changed_at timestamptz not null default now(),
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id),
  foreign key (club_id, component_id) references component (club_id, id)
);
create index procedure_of_model on procedure (club_id, model_id, position);

create table quirk (
  club_id bigint not null,
  id bigint generated always as identity,
  model_id bigint not null,
  symptom text not null check (symptom <> '' and length(symptom) <= 500),
  cause text not null default '',
  cure text not null default '',
  component_id bigint,
  firmware jsonb,
  source jsonb not null,
  position integer not null default 0,
  shelved_at timestamptz,
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id),
  foreign key (club_id, component_id) references component (club_id, id)
);
create index quirk_of_model on quirk (club_id, model_id, position);

-- Somebody saw for themselves that a fact holds, and on which firmware. One press after doing.
create table confirmation (
  club_id bigint not null,
  id bigint generated always as identity,
  model_id bigint not null,
  procedure_id bigint,
  quirk_id bigint,
  release_id bigint,
  unit_id bigint,
  firmware text not null default '',
  person_id bigint not null,
  at timestamptz not null default now(),
  primary key (club_id, id),
  foreign key (club_id, model_id) references model (club_id, id),
  foreign key (club_id, procedure_id) references procedure (club_id, id),
  foreign key (club_id, quirk_id) references quirk (club_id, id),
  foreign key (club_id, release_id) references release (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id),
  foreign key (club_id, person_id) references person (club_id, id),
  check (num_nonnulls(procedure_id, quirk_id, release_id) = 1)
);
create index confirmation_of_model on confirmation (club_id, model_id, at desc);

-- Files by their content, once and for good; a release names its file by SHA-256 whether or not we have the bytes.
create table file (
  club_id bigint not null references club,
  sha256 text not null check (sha256 ~ '^[0-9a-f]{64}$'),
  size bigint not null,
  content bytea not null,
  added_at timestamptz not null default now(),
  primary key (club_id, sha256)
);
create function file_stands() returns trigger language plpgsql as $$
begin raise exception 'a file is never changed'; end $$;
create trigger file_stands before update or delete or truncate on file
  for each statement execute function file_stands();

do $$
declare t text;
begin
  foreach t in array array['procedure', 'quirk', 'confirmation', 'file']
  loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
  end loop;
end $$;
grant select, insert, update on procedure, quirk to mossy_app;
grant select, insert on confirmation, file to mossy_app;
