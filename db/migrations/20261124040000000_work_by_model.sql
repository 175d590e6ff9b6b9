-- Work goes model by model, so that each catalogue is loaded once, not for every part.
alter table work add last_model bigint not null default 0;
