-- The log tells on which day something was, beside when it was written; and it can be searched by words.
create function log_plain(said text) returns text language sql immutable as $$
  select regexp_replace(translate(lower(said), '!"#$%&''()*+,-./:;<=>?@[\]^_`{|}~', repeat(' ', 32)), '\m0+([0-9])', '\1', 'g')
$$;

alter table log add column on_day date, add column words tsvector;

create function log_told() returns trigger language plpgsql as $$
begin
  new.on_day := coalesce(new.on_day,
    case when new.detail->>'on' ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}$' then (new.detail->>'on')::date end,
    (new.at at time zone coalesce((select time_zone from club where id = new.club_id), 'UTC'))::date);
  new.words := to_tsvector('simple', log_plain(concat_ws(' ',
    replace(new.kind, '-', ' '),
    (select tag from unit where club_id = new.club_id and id = new.unit_id),
    (select name from model where club_id = new.club_id and id = new.model_id),
    (select m.name from unit u join model m on m.club_id = u.club_id and m.id = u.model_id where u.club_id = new.club_id and u.id = new.unit_id),
    (select name from person where club_id = new.club_id and id = new.person_id),
    case new.detail->>'worked' when 'true' then 'worked' when 'false' then 'failed' end,
    (select string_agg(value, ' ') from jsonb_each_text(new.detail)))));
  return new;
end $$;
create trigger log_told before insert on log for each row execute function log_told();

do $$
declare t text;
begin
  foreach t in array array['log', 'unit', 'model', 'person', 'club'] loop
    execute format('alter table %I no force row level security', t);
  end loop;
  alter table log disable trigger log_only_grows;
  update log l set
    on_day = coalesce(case when l.detail->>'on' ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}$' then (l.detail->>'on')::date end,
      (l.at at time zone c.time_zone)::date),
    words = to_tsvector('simple', log_plain(concat_ws(' ', replace(l.kind, '-', ' '),
      (select u.tag || ' ' || m.name from unit u join model m on m.club_id = u.club_id and m.id = u.model_id where u.club_id = l.club_id and u.id = l.unit_id),
      (select name from model m where m.club_id = l.club_id and m.id = l.model_id),
      (select name from person p where p.club_id = l.club_id and p.id = l.person_id),
      case l.detail->>'worked' when 'true' then 'worked' when 'false' then 'failed' end,
      (select string_agg(value, ' ') from jsonb_each_text(l.detail)))))
  from club c where c.id = l.club_id;
  alter table log enable trigger log_only_grows;
  foreach t in array array['log', 'unit', 'model', 'person', 'club'] loop
    execute format('alter table %I force row level security', t);
  end loop;
end $$;
alter table log alter column on_day set not null, alter column words set not null;
create index log_by_day on log (club_id, on_day desc, at desc, id desc);
create index log_words on log using gin (words);
