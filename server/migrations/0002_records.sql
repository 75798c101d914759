-- Up Migration
-- The stream of records: append-only, chained per site, with the states folded from it beside.

create table record (
  -- that the site exists is checked where its head is made
  site_id text not null,
  seq bigint not null,
  id uuid not null,
  type text not null,
  subject_kind text not null,
  subject_id text not null,
  by_person text not null,
  -- milliseconds UTC by the server's clock
  corrected_at bigint not null,
  received_at bigint not null,
  -- the canonical text that the hash is taken over, kept as it is
  text text not null,
  hash text not null,
  -- for queries only
  body jsonb not null,
  primary key (site_id, seq),
  unique (site_id, id)
);
create index record_by_time on record (site_id, corrected_at desc);

-- Which subjects a record folds into: written with the record, by the same statement.
create table record_subject (
  site_id text not null,
  kind text not null,
  subject_id text not null,
  seq bigint not null,
  primary key (site_id, kind, subject_id, seq)
);

-- The end of each site's chain. Advancing it from what was read is what lets one writer win.
create table site_head (
  site_id text primary key references site,
  seq bigint not null,
  hash text not null
);

-- States folded from records; can be dropped and rebuilt.
create table subject_state (
  site_id text not null,
  kind text not null,
  subject_id text not null,
  state jsonb not null,
  last_key jsonb,
  touched_at bigint not null,
  -- worth sending to a tablet however long ago it was touched
  live boolean not null,
  primary key (site_id, kind, subject_id)
)
-- Rewritten with every record: room for that on each page, and no index on what changes.
with (fillfactor = 60);

alter table record enable row level security;
alter table record force row level security;
alter table record_subject enable row level security;
alter table record_subject force row level security;
alter table site_head enable row level security;
alter table site_head force row level security;
alter table subject_state enable row level security;
alter table subject_state force row level security;

create policy own_site on record using (site_id = current_setting('tadka.site', true));
create policy own_site on record_subject using (site_id = current_setting('tadka.site', true));
create policy own_site on site_head using (site_id = current_setting('tadka.site', true));
create policy own_site on subject_state using (site_id = current_setting('tadka.site', true));

-- No update or delete on records for the application's role.
grant select, insert on record, record_subject to tadka_app;
grant select, insert, update on site_head to tadka_app;
grant select, insert, update, delete on subject_state to tadka_app;
