-- Units are shelved, never deleted, and needs are derived anew: the foreign key only cost time, a third of storing them.
alter table need drop constraint need_club_id_unit_id_fkey;
