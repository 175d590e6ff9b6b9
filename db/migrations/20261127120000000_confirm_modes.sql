-- That a mode is as it is written down can be confirmed, as every other fact.
alter table confirmation
  add column mode_id bigint,
  add foreign key (club_id, mode_id) references mode (club_id, id),
  drop constraint confirmation_of_one,
  add constraint confirmation_of_one check (num_nonnulls(procedure_id, quirk_id, release_id, component_id, mode_id) <= 1);
