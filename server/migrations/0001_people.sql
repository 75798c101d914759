-- Up Migration
-- Sites, accounts and sessions: the listed exceptions to row-level security, for they are read before a site is known.

create table site (
  id text primary key check (id ~ '^[a-z0-9][a-z0-9.-]{0,63}$'),
  name text not null,
  created_at timestamptz not null default now()
);

create table person (
  site_id text not null references site,
  id text not null check (id ~ '^[a-z0-9][a-z0-9.-]{0,63}$'),
  name text not null,
  role text not null check (role in ('crew', 'lead', 'manager')),
  pin_hash text,
  login text,
  password_hash text,
  wrong_tries integer not null default 0,
  locked_at timestamptz,
  primary key (site_id, id),
  unique (site_id, login)
);

-- One session a tablet; several people may be signed in on it.
create table session (
  id bigint generated always as identity primary key,
  token_hash text not null unique,
  site_id text not null references site,
  device text not null,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null
);

create table session_person (
  session_id bigint not null references session on delete cascade,
  site_id text not null,
  person_id text not null,
  signed_in_at bigint not null,
  signed_out_at bigint,
  primary key (session_id, person_id, signed_in_at),
  foreign key (site_id, person_id) references person
);

-- The application's own role: it owns nothing, and may only what is granted here and in later migrations.
do $$
begin
  if not exists (select from pg_roles where rolname = 'tadka_app') then
    create role tadka_app login;
  end if;
end $$;

grant usage on schema public to tadka_app;
grant select on site to tadka_app;
grant select, update on person to tadka_app;
grant select, insert, update, delete on session, session_person to tadka_app;
