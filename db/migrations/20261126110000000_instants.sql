-- Readings in the order in which they count, whatever a clock said: read now is newest, dated back has its place, never ahead. Wrong ones are
-- struck: they stay, and count no more. So with tries.
alter table reading no force row level security;
alter table reading disable trigger reading_stands;
alter table reading
  -- null: nobody knows the day
  alter read_at drop not null,
  add column recorded_at timestamptz not null default now(),
  -- what the order goes by: when it was read, but never before what was the newest when it was read just then
  add column placed_at timestamptz not null default now(),
  add column struck_at timestamptz,
  add column struck_by bigint,
  add column struck_why text check (length(struck_why) between 1 and 300),
  add check ((struck_at is null) = (struck_why is null)),
  add foreign key (club_id, struck_by) references person (club_id, id);
update reading set recorded_at = read_at, placed_at = read_at;
drop index reading_newest;
create index reading_newest on reading (club_id, unit_id, component_id, placed_at desc, id desc) where struck_at is null;
alter table reading force row level security;

create function reading_placed() returns trigger language plpgsql as $$
begin
  -- What comes back from a club's own document has its instants already.
  if current_setting('mossy.bringing_back', true) = 'on' then return new; end if;
  if new.read_at > now() then
    raise exception 'a reading is never dated ahead' using errcode = 'MC002';
  end if;
  new.recorded_at := now();
  new.placed_at := coalesce(new.read_at, '-infinity');
  -- Read just now, it is the newest there is, even where a clock that was wrong left one that lies ahead.
  if new.read_at = now() then
    select greatest(new.placed_at, max(r.placed_at)) into new.placed_at
      from reading r where r.club_id = new.club_id and r.unit_id = new.unit_id and r.component_id = new.component_id
        and r.struck_at is null;
  end if;
  return new;
end $$;
create trigger reading_placed before insert on reading for each row execute function reading_placed();

drop trigger reading_stands on reading;
drop function reading_stands();
create function stands_but_for_striking() returns trigger language plpgsql as $$
declare struck text[] := array['struck_at', 'struck_by', 'struck_why'];
begin
  if tg_op = 'UPDATE' and old.struck_at is null and to_jsonb(new) - struck = to_jsonb(old) - struck then return new; end if;
  raise exception 'a % is never edited, only followed by another, or struck', tg_table_name;
end $$;
create function is_not_thrown_away() returns trigger language plpgsql as $$
begin raise exception 'what is in % stays', tg_table_name; end $$;
create trigger reading_stands before update or delete on reading for each row execute function stands_but_for_striking();
create trigger reading_stays before truncate on reading for each statement execute function is_not_thrown_away();
grant update (struck_at, struck_by, struck_why) on reading to mossy_app;

drop trigger attempt_stands on attempt;
drop function attempt_stands();
alter table attempt
  add column struck_at timestamptz,
  add column struck_by bigint,
  add column struck_why text check (length(struck_why) between 1 and 300),
  add check ((struck_at is null) = (struck_why is null)),
  add foreign key (club_id, struck_by) references person (club_id, id);
create trigger attempt_stands before update or delete on attempt for each row execute function stands_but_for_striking();
create trigger attempt_stays before truncate on attempt for each statement execute function is_not_thrown_away();
create trigger kit_changed after update on attempt referencing new table as changed for each statement execute function stamp_kit();
grant update (struck_at, struck_by, struck_why) on attempt to mossy_app;
