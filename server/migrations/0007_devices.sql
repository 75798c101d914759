-- Up Migration
-- What devices stream: their tokens, their samples second by second, and the cycles cut out of them.

create table device (
  site_id text not null references site,
  id text not null,
  name text not null,
  station_id text not null,
  token_hash text not null check (token_hash ~ '^[0-9a-f]{64}$'),
  made_at bigint not null,
  -- null while it may send
  ended_at bigint,
  primary key (site_id, id)
);

-- One life of a device, from power-up to power-down: it counts seconds from 0, whatever its clock says.
create table device_boot (
  site_id text not null,
  device_id text not null,
  boot text not null,
  -- milliseconds UTC by the server's clock at its second 0: the earliest that any delivery allows
  anchor bigint not null,
  -- the newest second, and the second up to which cycles are cut
  newest integer not null,
  checkpoint integer not null,
  received_at bigint not null,
  primary key (site_id, device_id, boot)
);

-- A minute of samples, packed: see server/warewash/block.ts.
create table sample_minute (
  site_id text not null,
  device_id text not null,
  boot text not null,
  minute integer not null,
  received_at bigint not null,
  data bytea not null,
  primary key (site_id, device_id, boot, minute)
);
create index sample_minute_by_time on sample_minute using brin (received_at);
-- Packed already; the way out of line would cost more than it saves.
alter table sample_minute alter column data set storage plain;

-- The cycles as last judged: what is looked up when samples come late, and what months are counted from. The records are the truth.
create table cycle (
  site_id text not null,
  station_id text not null,
  device_id text not null,
  boot text not null,
  key text not null,
  from_second integer not null,
  to_second integer not null,
  ended_at bigint not null,
  ending text not null,
  verdict text,
  rinse_low real,
  wash_low real,
  digest text not null,
  replaced boolean not null default false,
  primary key (site_id, key)
);
create index cycle_of_boot on cycle (site_id, device_id, boot, to_second);
create index cycle_by_time on cycle (site_id, station_id, ended_at);

alter table device enable row level security;
alter table device force row level security;
alter table device_boot enable row level security;
alter table device_boot force row level security;
alter table sample_minute enable row level security;
alter table sample_minute force row level security;
alter table cycle enable row level security;
alter table cycle force row level security;

create policy own_site on device using (site_id = current_setting('tadka.site', true));
create policy own_site on device_boot using (site_id = current_setting('tadka.site', true));
create policy own_site on sample_minute using (site_id = current_setting('tadka.site', true));
create policy own_site on cycle using (site_id = current_setting('tadka.site', true));

grant select, insert, update on device, device_boot, cycle to tadka_app;
grant select, insert, update, delete on sample_minute to tadka_app;
