-- Up Migration
-- Questions that somebody was asked, with their right answers, until they are answered: what is asked is fixed when it begins, and gone once it
-- was answered. And what they answered wrong, and when it comes again. The result of a check is a record of the log; these are not.

create table training_check (
  site_id text not null references site,
  id uuid not null,
  person_id text not null,
  -- null: it only goes over what was wrong before, and counts for nothing
  procedure text,
  begun_at bigint not null,
  questions jsonb not null,
  primary key (site_id, id)
);

create table training_card (
  site_id text not null references site,
  person_id text not null,
  card text not null,
  -- one that was made for a procedure is made for it again
  procedure text not null,
  due_at bigint not null,
  -- answered wrong the last time
  wrong boolean not null,
  state jsonb not null,
  primary key (site_id, person_id, card)
);

alter table training_check enable row level security;
alter table training_check force row level security;
create policy own_site on training_check using (site_id = current_setting('tadka.site', true));
alter table training_card enable row level security;
alter table training_card force row level security;
create policy own_site on training_card using (site_id = current_setting('tadka.site', true));

grant select, insert, delete on training_check to tadka_app;
grant select, insert, update, delete on training_card to tadka_app;
