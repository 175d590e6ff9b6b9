-- What is done about a need is called by the word that code and pages use.
alter table need rename column doing to action;
