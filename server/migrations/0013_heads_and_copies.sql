-- Up Migration
-- How far a backup goes, by site: what lies before is kept elsewhere too, and what lies there now must hold it.
create table backup_head (
  at bigint not null references backup on delete cascade,
  site_id text not null references site,
  seq bigint not null,
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  primary key (site_id, at)
);
alter table backup_head enable row level security;
create policy own_site on backup_head using (site_id = current_setting('tadka.site', true));
grant select on backup_head to tadka_app;

-- Where a copy of it lies, on another disk or share; null where there is none.
alter table backup add column copy text;
