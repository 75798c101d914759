-- Up Migration
-- The version of the folds that the read tables were last folded by. Where it is another than the code's, they are folded anew.

create table fold_version (
  only_one boolean primary key default true check (only_one),
  version integer not null
);
-- A database that was in use before this table: its states are of an older version.
insert into fold_version (version) select 0 where exists (select from site);

grant select, insert, update on fold_version to tadka_app;
