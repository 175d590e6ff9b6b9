-- How each radio that is not shelved stands to the plan, and how many stand so: kept, not counted at each look.
create index codeplug_now_sum on codeplug_now (club_id, sum);

-- The rule itself. plan: the last revision whose table for its model it carries; 0: another table; -1: nobody knows which.
-- mode_id: 0, if nobody said.
create view carrying_rule with (security_invoker = true) as
select u.club_id, u.id unit_id, u.model_id, u.tag,
  coalesce((select coalesce((
      select max(l.number) from plan_table t join channel_plan l on l.club_id = t.club_id and l.id = t.plan_id
      where t.club_id = n.club_id and t.sum = n.sum and t.model_id = u.model_id), 0)
    from codeplug_now n where n.club_id = u.club_id and n.unit_id = u.id and n.sum is not null), -1) plan,
  coalesce((select m.mode_id from unit_mode m where m.club_id = u.club_id and m.unit_id = u.id
    order by m.at desc, m.id desc limit 1), 0) mode_id
from unit u where u.shelved_at is null;

create table carrying (
  club_id bigint not null references club,
  unit_id bigint not null,
  model_id bigint not null,
  tag text not null,
  plan integer not null,
  mode_id bigint not null,
  primary key (club_id, unit_id),
  foreign key (club_id, unit_id) references unit (club_id, id) on delete cascade
);
create index carrying_alike on carrying (club_id, model_id, plan, mode_id, tag collate natural_order);

create table carrying_count (
  club_id bigint not null references club,
  model_id bigint not null,
  plan integer not null,
  mode_id bigint not null,
  units integer not null,
  primary key (club_id, model_id, plan, mode_id)
);

create function carry(units bigint[]) returns void language sql as $$
  delete from carrying c using unnest(units) w(id) where c.unit_id = w.id
    and not exists (select from unit u where u.club_id = c.club_id and u.id = c.unit_id and u.shelved_at is null);
  insert into carrying (club_id, unit_id, model_id, tag, plan, mode_id)
  select r.club_id, r.unit_id, r.model_id, r.tag, r.plan, r.mode_id
  from unnest(units) w(id) join carrying_rule r on r.unit_id = w.id order by r.unit_id
  on conflict (club_id, unit_id) do update
    set model_id = excluded.model_id, tag = excluded.tag, plan = excluded.plan, mode_id = excluded.mode_id
    where (carrying.model_id, carrying.tag, carrying.plan, carrying.mode_id)
      is distinct from (excluded.model_id, excluded.tag, excluded.plan, excluded.mode_id);
$$;

create function count_carrying() returns trigger language plpgsql as $$
begin
  if tg_op = 'INSERT' then
    insert into carrying_count as c (club_id, model_id, plan, mode_id, units)
    select club_id, model_id, plan, mode_id, count(*) from come group by 1, 2, 3, 4 order by 1, 2, 3, 4
    on conflict (club_id, model_id, plan, mode_id) do update set units = c.units + excluded.units;
  elsif tg_op = 'DELETE' then
    insert into carrying_count as c (club_id, model_id, plan, mode_id, units)
    select club_id, model_id, plan, mode_id, -count(*) from gone group by 1, 2, 3, 4 order by 1, 2, 3, 4
    on conflict (club_id, model_id, plan, mode_id) do update set units = c.units + excluded.units;
  else
    insert into carrying_count as c (club_id, model_id, plan, mode_id, units)
    select club_id, model_id, plan, mode_id, sum(n)
    from (select *, 1 n from come union all select *, -1 n from gone) d
    group by 1, 2, 3, 4 having sum(n) <> 0 order by 1, 2, 3, 4
    on conflict (club_id, model_id, plan, mode_id) do update set units = c.units + excluded.units;
  end if;
  return null;
end $$;
create trigger carrying_come after insert on carrying referencing new table as come for each statement execute function count_carrying();
create trigger carrying_gone after delete on carrying referencing old table as gone for each statement execute function count_carrying();
create trigger carrying_other after update on carrying referencing old table as gone new table as come for each statement execute function count_carrying();

-- Whatever the rule looks at says whom it may concern.
create function carry_those() returns trigger language plpgsql as $$
begin
  perform carry(array(select distinct unit_id from come));
  return null;
end $$;
create trigger codeplug_now_come after insert on codeplug_now referencing new table as come for each statement execute function carry_those();
create trigger codeplug_now_other after update on codeplug_now referencing new table as come for each statement execute function carry_those();
create trigger unit_mode_come after insert on unit_mode referencing new table as come for each statement execute function carry_those();

create function carry_new_units() returns trigger language plpgsql as $$
begin
  perform carry(array(select id from come));
  return null;
end $$;
create trigger unit_come after insert on unit referencing new table as come for each statement execute function carry_new_units();

create function carry_other_units() returns trigger language plpgsql as $$
begin
  perform carry(array(select c.id from come c join gone g on g.club_id = c.club_id and g.id = c.id
    where (c.tag, c.model_id, c.shelved_at) is distinct from (g.tag, g.model_id, g.shelved_at)));
  return null;
end $$;
create trigger unit_other after update on unit referencing old table as gone new table as come for each statement execute function carry_other_units();

create function carry_plan() returns trigger language plpgsql as $$
begin
  perform carry(array(select distinct n.unit_id from come t join codeplug_now n on n.club_id = t.club_id and n.sum = t.sum));
  return null;
end $$;
create trigger plan_table_come after insert on plan_table referencing new table as come for each statement execute function carry_plan();

-- What stands already.
do $$
declare t text;
begin
  foreach t in array array['unit', 'codeplug_now', 'unit_mode', 'plan_table', 'channel_plan'] loop
    execute format('alter table %I no force row level security', t);
  end loop;
  insert into carrying (club_id, unit_id, model_id, tag, plan, mode_id)
  select club_id, unit_id, model_id, tag, plan, mode_id from carrying_rule;
  foreach t in array array['unit', 'codeplug_now', 'unit_mode', 'plan_table', 'channel_plan'] loop
    execute format('alter table %I force row level security', t);
  end loop;
  foreach t in array array['carrying', 'carrying_count'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())', t);
    execute format('grant select, insert, update, delete on %I to mossy_app', t);
  end loop;
end $$;
grant select on carrying_rule to mossy_app;
