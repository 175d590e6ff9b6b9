-- Tags that radios had before: what was printed, noted or linked under them still leads to the radio.
create table former_tag (
  club_id bigint not null references club (id),
  id bigint generated always as identity,
  unit_id bigint not null,
  tag text not null,
  until timestamptz not null default now(),
  primary key (club_id, id),
  foreign key (club_id, unit_id) references unit (club_id, id)
);
create index former_tag_by_tag on former_tag (club_id, lower(tag), id desc);
create index former_tag_of_unit on former_tag (club_id, unit_id);

alter table former_tag enable row level security;
alter table former_tag force row level security;
create policy own_club on former_tag using (club_id = current_club()) with check (club_id = current_club());
grant select, insert on former_tag to mossy_app;

create function note_former_tag() returns trigger language plpgsql as $$
begin
  insert into former_tag (club_id, unit_id, tag) values (old.club_id, old.id, old.tag);
  return null;
end $$;
create trigger unit_former_tag after update of tag on unit for each row
  when (lower(old.tag) <> lower(new.tag)) execute function note_former_tag();
