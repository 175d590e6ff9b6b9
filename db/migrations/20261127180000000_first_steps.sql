-- Steps of a new club that it does not want to be offered.
alter table club add column steps_unwanted text[] not null default '{}' check (cardinality(steps_unwanted) <= 20);
grant update (steps_unwanted) on club to mossy_app;
