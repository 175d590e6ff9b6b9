-- What can be done about a need is stored by its name: a place in a list would come to mean something else when the list changes, and a new
-- kind of it needs no migration.
alter table need drop constraint need_action_check;
alter table need alter action type text collate "C" using
  (array['install', 'kit', 'no-route', 'read', 'look-up', 'ask-back', 'back-up', 'switch', 'measure', 'pair', 'program', 'ask-for'])[action + 1];
