-- Up Migration
-- What sheets and searches look up, beside each record: worked out from its text by the database. By an expression alone it could not be
-- looked up under the rows' own policy, which lets only such comparisons through as cannot tell of other sites' rows.

alter table record
  add column rack_to bigint generated always as (
    case when type = 'cycle.judged@1' then (body #>> '{payload,to}')::bigint end) stored,
  add column entered_from bigint generated always as (
    case when type = 'run.entered@1' then (body #>> '{payload,from}')::bigint end) stored,
  add column procedure_id text generated always as (body #>> '{payload,procedure,id}') stored;

drop index record_rack;
drop index record_entered;
drop index record_of_procedure;
create index record_rack on record (site_id, rack_to) where rack_to is not null;
create index record_entered on record (site_id, entered_from) where entered_from is not null;
create index record_of_procedure on record (site_id, procedure_id, seq desc) where procedure_id is not null;

-- As before (0021), from a place in the chain on: a common word is looked for among the newest first.
drop function record_places_of_word;
create function record_places_of_word(p_word text, p_from bigint) returns setof bigint
language sql stable security definer set search_path = public, pg_temp as $$
  select seq from record
  where site_id = current_setting('tadka.site', true) and seq >= p_from
    and jsonb_to_tsvector('simple', body -> 'payload', '["string"]') @@ to_tsquery('simple', quote_literal(p_word) || ':*')
$$;
revoke all on function record_places_of_word from public;
grant execute on function record_places_of_word to tadka_app;
