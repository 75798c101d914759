-- Up Migration
-- Files of temperature loggers that were brought in, and their rows.

create table logger_file (
  site_id text not null references site,
  id text not null,
  station_id text not null,
  imported jsonb not null,
  received_at bigint not null,
  primary key (site_id, id)
);

-- Some thousand rows, packed: see server/logger/rows.ts. Milliseconds UTC.
create table logger_part (
  site_id text not null,
  file_id text not null,
  part integer not null,
  from_ms bigint not null,
  to_ms bigint not null,
  data bytea not null,
  primary key (site_id, file_id, part),
  foreign key (site_id, file_id) references logger_file on delete cascade
);

-- A device that is a file streams nothing: it names the cycles that came of it.
alter table device add column from_file boolean not null default false;

alter table logger_file enable row level security;
alter table logger_file force row level security;
alter table logger_part enable row level security;
alter table logger_part force row level security;
create policy own_site on logger_file using (site_id = current_setting('tadka.site', true));
create policy own_site on logger_part using (site_id = current_setting('tadka.site', true));
grant select, insert, delete on logger_file, logger_part to tadka_app;
