-- Up Migration
-- Packs that were made, until whoever asked for them has them: whichever process answers finds them.

create table pack (
  site_id text not null references site,
  id uuid not null,
  kind text not null check (kind in ('pdf', 'zip', 'json')),
  name text not null,
  bytes bytea not null,
  -- milliseconds UTC
  ends_at bigint not null,
  primary key (site_id, id, kind)
);

alter table pack enable row level security;
alter table pack force row level security;
create policy own_site on pack using (site_id = current_setting('tadka.site', true));

grant select, insert, delete on pack to tadka_app;
