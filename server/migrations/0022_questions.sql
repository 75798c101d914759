-- Up Migration
-- What a manager made of a question that the log gave rise to. Kept apart from the log, which crew and authorities take away.

create table question_answer (
  site_id text not null references site,
  id uuid not null,
  kind text not null,
  person_id text not null,
  -- what was entered up to then is asked about no more; milliseconds UTC
  up_to bigint not null,
  how text not null check (how in ('dismissed', 'followed-up')),
  note text not null check (length(note) between 3 and 500),
  answered_by text not null,
  answered_at bigint not null,
  primary key (site_id, id)
);

alter table question_answer enable row level security;
alter table question_answer force row level security;
create policy own_site on question_answer using (site_id = current_setting('tadka.site', true));

-- Never changed, never taken back.
grant select, insert on question_answer to tadka_app;
