-- Up Migration

-- A site that is still being made: whoever starts next makes it anew.
alter table site add column is_making boolean not null default false;

-- Backups that were made, each whole.
create table backup (
  at bigint primary key,
  file text not null,
  bytes bigint not null
);
grant select on backup to tadka_app;
