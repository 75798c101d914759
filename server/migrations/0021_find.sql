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
