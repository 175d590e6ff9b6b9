-- A model that turned out to be another: where its address leads from then on. What was known of it stays, on the shelf.
alter table model add merged_into bigint;
alter table model add foreign key (club_id, merged_into) references model (club_id, id);
alter table model add check (merged_into <> id);
alter table model add check (merged_into is null or shelved_at is not null);
