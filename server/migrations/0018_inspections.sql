-- Up Migration
-- Links by which somebody from outside reads a site's log for a time. Read before a site is known, as sessions are.

alter table person drop constraint person_role_check;
alter table person add constraint person_role_check check (role in ('crew', 'lead', 'manager', 'inspector'));

create table inspection (
  site_id text not null references site,
  -- under which the log names them
  person_id text not null,
  token_hash text not null unique check (token_hash ~ '^[0-9a-f]{64}$'),
  made_by text not null,
  -- milliseconds UTC: the first instant that it shows, and when it ends
  from_at bigint not null,
  ends_at bigint not null,
  used_at bigint,
  primary key (site_id, person_id),
  foreign key (site_id, person_id) references person
);

grant select, insert, update on inspection to tadka_app;
