-- Up Migration
-- What somebody from outside looked at by their link: a day's sheet, or the entries; each once, when it was first.

create table inspection_look (
  site_id text not null references site,
  person_id text not null,
  -- a day, YYYY-MM-DD, or 'entries'
  what text not null check (what = 'entries' or what ~ '^\d{4}-\d{2}-\d{2}$'),
  -- milliseconds UTC
  first_at bigint not null,
  primary key (site_id, person_id, what),
  foreign key (site_id, person_id) references inspection
);

alter table inspection_look enable row level security;
alter table inspection_look force row level security;
create policy own_site on inspection_look using (site_id = current_setting('tadka.site', true));

-- Never changed, never taken back.
grant select, insert on inspection_look to tadka_app;
