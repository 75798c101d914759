-- Up Migration
-- Written to, now and then, to learn whether anything can be written.
create table probe (
  only_one boolean primary key default true check (only_one),
  at timestamptz not null
);
grant select, insert, update on probe to tadka_app;
