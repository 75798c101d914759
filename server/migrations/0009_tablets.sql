-- Up Migration
-- Tablets of a site: a PIN is tried on them only, and is locked by name and tablet. Read before a site is known, as sessions are.

create table tablet (
  site_id text not null references site,
  -- the name it has for itself, which its records carry as their device
  id text not null check (id ~ '^[a-z0-9][a-z0-9.-]{0,63}$'),
  name text not null,
  token_hash text not null unique check (token_hash ~ '^[0-9a-f]{64}$'),
  enrolled_at bigint not null,
  -- a person, or null where it was enrolled with a code from the console
  enrolled_by text,
  -- null while it may sign people in by PIN
  revoked_at bigint,
  primary key (site_id, id)
);

-- What a new tablet is enrolled with: told once, used once.
create table enrolment_code (
  site_id text not null references site,
  code_hash text not null unique check (code_hash ~ '^[0-9a-f]{64}$'),
  made_by text,
  ends_at bigint not null,
  used_at bigint
);

-- Wrong PINs in a row. A try is counted before it is verified.
create table pin_try (
  site_id text not null,
  tablet_id text not null,
  person_id text not null,
  wrong integer not null,
  primary key (site_id, tablet_id, person_id),
  foreign key (site_id, tablet_id) references tablet,
  foreign key (site_id, person_id) references person
);

alter table session add column tablet_id text;
alter table session add foreign key (site_id, tablet_id) references tablet;
alter table person drop column wrong_tries, drop column locked_at;
revoke update on person from tadka_app;

grant select, insert, update on tablet, enrolment_code to tadka_app;
grant select, insert, update, delete on pin_try to tadka_app;
