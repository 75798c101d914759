-- Up Migration
-- When the heads of the chains were mailed, and to whom. Written by the launcher, which owns the database.

create table mailed_heads (
  -- milliseconds UTC
  at bigint primary key,
  address text not null
);
