-- Up Migration
-- The secret part of a person's calendar address: calendars fetch it without signing in. Only its hash is kept; a new one ends the old.

create table calendar_key (
  site_id text not null references site,
  person_id text not null,
  key_hash text not null check (key_hash ~ '^[0-9a-f]{64}$'),
  made_at bigint not null,
  primary key (site_id, person_id)
);

alter table calendar_key enable row level security;
alter table calendar_key force row level security;
create policy own_site on calendar_key using (site_id = current_setting('tadka.site', true));

grant select, insert, update on calendar_key to tadka_app;
