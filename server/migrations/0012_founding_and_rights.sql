-- Up Migration
-- A site is founded with a code of the console; people and what they may change with a record, and in no other way.

alter table person add column left_at bigint;
-- Set by somebody else: it is changed when it is first used.
alter table person add column pin_to_change boolean not null default false;
revoke insert, update, delete on person from tadka_app;

-- What founds the only site of an empty database. Written by the launcher, which owns it.
create table setup_code (
  code_hash text primary key check (code_hash ~ '^[0-9a-f]{64}$'),
  ends_at bigint not null
);

-- A hashed secret on its way: the record that tells of it puts it in force.
create table staged_secret (
  record_id uuid primary key,
  site_id text not null references site,
  person_id text not null,
  what text not null check (what in ('pin', 'password')),
  hash text not null,
  staged_at timestamptz not null default now()
);

-- Removes what was begun of sites and cut off before it was whole: nobody has worked there yet.
create function remove_unfinished_sites() returns void
language plpgsql security definer set search_path = public, pg_temp as $$
declare
  unfinished text;
begin
  for unfinished in select id from site where is_making loop
    perform set_config('tadka.site', unfinished, true);
    delete from record where site_id = unfinished;
    delete from record_subject where site_id = unfinished;
    delete from subject_state where site_id = unfinished;
    delete from site_head where site_id = unfinished;
    delete from cycle where site_id = unfinished;
    delete from device where site_id = unfinished;
    delete from staged_secret where site_id = unfinished;
    delete from person where site_id = unfinished;
    delete from site where id = unfinished;
  end loop;
end $$;

-- Begins the only site, where the code is right and there is none; false where not. Until it is finished it counts as none.
create function found_site(p_code_hash text, p_now bigint, p_id text, p_name text) returns boolean
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  -- one at a time
  lock table setup_code in exclusive mode;
  if exists (select from site where not is_making) then
    return false;
  end if;
  delete from setup_code where code_hash = p_code_hash and ends_at > p_now;
  if not found then
    return false;
  end if;
  perform remove_unfinished_sites();
  insert into site (id, name, is_making) values (p_id, p_name, true);
  return true;
end $$;

create function finish_site(p_id text) returns void
language sql security definer set search_path = public, pg_temp as $$
  update site set is_making = false where id = p_id;
$$;

create function stage_secret(p_record uuid, p_site text, p_person text, p_what text, p_hash text) returns void
language sql security definer set search_path = public, pg_temp as $$
  delete from staged_secret where staged_at < now() - interval '1 hour';
  insert into staged_secret (record_id, site_id, person_id, what, hash)
  values (p_record, p_site, p_person, p_what, p_hash);
$$;

-- A record of people or secrets changes them in the same moment; one that could not is not taken.
create function apply_rights() returns trigger
language plpgsql security definer set search_path = public, pg_temp as $$
declare
  told jsonb := new.body -> 'payload';
  staged text;
begin
  if new.type = 'person.set@1' then
    insert into person (site_id, id, name, role, login, left_at)
    values (
      new.site_id, new.subject_id, told ->> 'name', told ->> 'role', told ->> 'login',
      case when (told ->> 'left')::boolean then new.corrected_at end)
    on conflict (site_id, id) do update
    set name = excluded.name, role = excluded.role, login = excluded.login, left_at = excluded.left_at;
    if (told ->> 'left')::boolean then
      update session_person set signed_out_at = new.corrected_at
      where site_id = new.site_id and person_id = new.subject_id and signed_out_at is null;
    end if;
  else
    delete from staged_secret
    where record_id = new.id and site_id = new.site_id and person_id = new.subject_id and what = told ->> 'what'
    returning hash into staged;
    if staged is null then
      raise exception 'no secret was staged for record %', new.id;
    end if;
    if told ->> 'what' = 'pin' then
      update person set pin_hash = staged, pin_to_change = (told ->> 'toChange')::boolean
      where site_id = new.site_id and id = new.subject_id;
      delete from pin_try where site_id = new.site_id and person_id = new.subject_id;
    else
      update person set password_hash = staged where site_id = new.site_id and id = new.subject_id;
    end if;
  end if;
  return null;
end $$;

create trigger rights after insert on record
for each row when (new.type in ('person.set@1', 'person.secret@1'))
execute function apply_rights();

revoke all on function remove_unfinished_sites, found_site, finish_site, stage_secret, apply_rights from public;
grant execute on function found_site, finish_site, stage_secret to tadka_app;
