-- What a run works with may be a thing of the bench: a dummy load where it transmits.
alter table run_thing drop constraint run_thing_kind_check;
alter table run_thing add constraint run_thing_kind_check check (kind in ('lead', 'computer', 'adapter', 'tool', 'gear'));
