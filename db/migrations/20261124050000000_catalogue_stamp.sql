-- A model's stamp changes with everything its catalogue is made of, to a number that never comes again, not even after a
-- transaction undone: so a process may keep a prepared catalogue as long as the stamp stays.
create sequence catalogue_stamp;
alter table model add catalogue_stamp bigint not null default nextval('catalogue_stamp');
grant usage on sequence catalogue_stamp to mossy_app;

create function model_stamped() returns trigger language plpgsql as $$
begin
  new.catalogue_stamp := nextval('catalogue_stamp');
  return new;
end $$;
create trigger model_stamped before update on model for each row execute function model_stamped();

create function stamp_model_of_component() returns trigger language plpgsql as $$
begin
  update model m set catalogue_stamp = 0 from changed c where m.club_id = c.club_id and m.id = c.model_id;
  return null;
end $$;
create function stamp_model_of_release() returns trigger language plpgsql as $$
begin
  update model m set catalogue_stamp = 0 from component c
  where m.club_id = c.club_id and m.id = c.model_id and (c.club_id, c.id) in (select club_id, component_id from changed);
  return null;
end $$;
create trigger component_added after insert on component
  referencing new table as changed for each statement execute function stamp_model_of_component();
create trigger component_changed after update on component
  referencing new table as changed for each statement execute function stamp_model_of_component();
create trigger release_added after insert on release
  referencing new table as changed for each statement execute function stamp_model_of_release();
create trigger release_changed after update on release
  referencing new table as changed for each statement execute function stamp_model_of_release();
