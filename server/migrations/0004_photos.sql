-- Up Migration
-- Photos beside the stream, by what they hold: a record names the hash, the bytes may come later.

create table photo (
  site_id text not null references site,
  sha256 text not null check (sha256 ~ '^[0-9a-f]{64}$'),
  bytes bytea not null,
  received_at bigint not null,
  primary key (site_id, sha256)
);

alter table photo enable row level security;
alter table photo force row level security;
create policy own_site on photo using (site_id = current_setting('tadka.site', true));

grant select, insert on photo to tadka_app;
