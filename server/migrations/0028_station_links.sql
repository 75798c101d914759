-- Up Migration
-- A link for who comes to mend one machine shows that machine's log alone.

alter table inspection add column station_id text;
