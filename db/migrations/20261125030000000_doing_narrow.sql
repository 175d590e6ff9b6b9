-- The board's index begins with what can be done; four bytes are compared and kept in a fraction of the time of a text.
create type doing as enum ('install', 'kit', 'no-route', 'read', 'look-up', 'ask-back');
alter table need alter doing type doing using doing::doing;
