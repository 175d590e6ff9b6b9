-- Every fact says where it is known from and can be confirmed: releases, what a model is known by, how its parts are read.
-- Hardware revisions know their ranges of serial numbers (shape: core/dossier/serial.ts).
alter table release add source_kind text check (source_kind in ('maker', 'bench', 'club', 'hearsay'));

alter table confirmation
  add component_id bigint,
  add foreign key (club_id, component_id) references component (club_id, id),
  drop constraint confirmation_check,
  -- none of them: what the model itself is known by
  add constraint confirmation_of_one check (num_nonnulls(procedure_id, quirk_id, release_id, component_id) <= 1);

alter table hardware_revision add serials jsonb not null default '[]';
