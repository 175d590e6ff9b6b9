-- A backup comes before any flash. For a model a keeper may say that it is not wanted where nothing is erased, and why.
alter table model add no_backup_why text not null default '' check (length(no_backup_why) <= 300);
