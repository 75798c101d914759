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

-- What a device is. A file streams nothing: it names the cycles that came of it.
alter table device add column kind text not null default 'dish-probe'
  check (kind in ('dish-probe', 'ice-panel', 'thermometer', 'dispenser-meter', 'file'));
alter table device alter column station_id drop not null;
-- the instrument that a thermometer is, the product that a meter counts
alter table device add column of_id text;
alter table device add column heard_at bigint;

-- What each thermometer that reports last read.
create table device_reading (
  site_id text not null,
  device_id text not null,
  at bigint not null,
  value double precision not null,
  unit text not null check (unit in ('°C', '°F')),
  primary key (site_id, device_id),
  foreign key (site_id, device_id) references device
);
alter table device_reading enable row level security;
alter table device_reading force row level security;
create policy own_site on device_reading using (site_id = current_setting('tadka.site', true));
grant select, insert, update on device_reading to tadka_app;

alter table logger_file enable row level security;
alter table logger_file force row level security;
alter table logger_part enable row level security;
alter table logger_part force row level security;
create policy own_site on logger_file using (site_id = current_setting('tadka.site', true));
create policy own_site on logger_part using (site_id = current_setting('tadka.site', true));
grant select, insert, delete on logger_file, logger_part to tadka_app;
