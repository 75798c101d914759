-- Up Migration
-- What passes are signed with: made by the first server that starts over this database, and kept with it.
create table signing_key (
  id integer primary key check (id = 1),
  key bytea not null check (length(key) = 32)
);
grant select, insert on signing_key to tadka_app;

-- What a tablet sent that may not go into the log as it is: kept whole until a manager decides, and afterwards.
create table held_draft (
  site_id text not null references site,
  id uuid not null,
  draft jsonb not null,
  -- the refusal's code
  why text not null,
  clock_offset bigint not null,
  received_at bigint not null,
  decided_at bigint,
  decided_by text,
  taken boolean,
  reason text,
  primary key (site_id, id)
);
create index held_undecided on held_draft (site_id, received_at) where decided_at is null;
alter table held_draft enable row level security;
alter table held_draft force row level security;
create policy own_site on held_draft using (site_id = current_setting('tadka.site', true));
grant select, insert, update on held_draft to tadka_app;
