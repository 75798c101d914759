-- Up Migration
-- What a state teaches, worked out once: minutes that a run's steps took, what a bath lost an hour. Can be dropped and made anew.
create table lesson (
  site_id text not null,
  kind text not null,
  subject_id text not null,
  -- the state that it was worked out from: touched then, folded by that version
  touched_at bigint not null,
  version integer not null,
  -- null where it teaches nothing
  what jsonb,
  primary key (site_id, kind, subject_id)
);
alter table lesson enable row level security;
alter table lesson force row level security;
create policy own_site on lesson using (site_id = current_setting('tadka.site', true));
grant select, insert, update on lesson to tadka_app;
