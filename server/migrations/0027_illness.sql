-- Up Migration
-- Illness of people who work here: private, so it stands apart from the log, and what is erased is gone.

create table illness (
  site_id text not null references site,
  id text not null,
  person_id text not null,
  told jsonb not null,
  primary key (site_id, id)
);

alter table illness enable row level security;
alter table illness force row level security;
create policy own_site on illness using (site_id = current_setting('tadka.site', true));

grant select, insert, update, delete on illness to tadka_app;
