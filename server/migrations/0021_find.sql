-- Up Migration
-- What the log is searched by, beside each record: worked out from its text by the database, so that it cannot say anything else.

alter table record
  add column station text generated always as (body #>> '{payload,station}') stored,
  add column verdict text generated always as (
    coalesce(body #>> '{inForce,judged,judgement,overall}', body #>> '{payload,judgement,overall}')) stored;

drop index record_by_time;
create index record_by_time on record (site_id, corrected_at desc) include (seq, type, by_person, station, verdict);
create index record_of_station on record (site_id, station, seq desc) where station is not null;
create index record_of_verdict on record (site_id, verdict, seq desc) where verdict is not null;
create index record_of_type on record (site_id, type, seq desc);
create index record_of_procedure on record (site_id, (body #>> '{payload,procedure,id}'))
  where body #>> '{payload,procedure,id}' is not null;
create index record_by_person on record (site_id, by_person, seq desc);
create index record_words on record using gin (jsonb_to_tsvector('simple', body -> 'payload', '["string"]'));

-- Places of a site's records in which a word stands, or one that begins with it. By its owner's rights: under the rows' own policy no index of
-- words is used, for the match could tell of rows that are not one's own. It looks at no other site's, and tells places only.
create function record_places_of_word(p_word text) returns setof bigint
language sql stable security definer set search_path = public, pg_temp as $$
  select seq from record
  where site_id = current_setting('tadka.site', true)
    and jsonb_to_tsvector('simple', body -> 'payload', '["string"]') @@ to_tsquery('simple', quote_literal(p_word) || ':*')
$$;
revoke all on function record_places_of_word from public;
grant execute on function record_places_of_word to tadka_app;
