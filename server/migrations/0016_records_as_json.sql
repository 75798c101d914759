-- Up Migration

-- Puts records into the chain, keeps the states, tells the tablets: all of it, or nothing where the head has moved on
-- since it was read (returns false: read again).
-- p_records: [{text, hash}] in order. Every other column is read from the text that the hash is taken over.
-- p_index: [{seq, kind, id}], what each is filed under. p_states: the states that they change.
drop function append_records(
  text, bigint, text, bigint[], uuid[], text[], text[], text[], text[], bigint[], bigint, text[], text[],
  bigint[], text[], text[], jsonb);

create function append_records(
  p_site text, p_seq bigint, p_prev text, p_last bigint, p_hash text, p_records json, p_index json, p_states json)
returns boolean language plpgsql as $$
begin
  perform set_config('tadka.site', p_site, true);
  if p_seq = 0 then
    insert into site_head values (p_site, p_last, p_hash) on conflict do nothing;
  else
    update site_head set seq = p_last, hash = p_hash where site_id = p_site and seq = p_seq and hash = p_prev;
  end if;
  if not found then
    return false;
  end if;

  insert into record
    (site_id, seq, id, type, subject_kind, subject_id, by_person, corrected_at, received_at, text, hash, body)
  select p_site, (b ->> 'seq')::bigint, (b ->> 'id')::uuid, b ->> 'type', b #>> '{subject,kind}', b #>> '{subject,id}',
    b ->> 'by', (b ->> 'observedAt')::bigint + (b ->> 'clockOffset')::bigint, (b ->> 'receivedAt')::bigint,
    r.text, r.hash, b
  from json_to_recordset(p_records) as r (text text, hash text)
  -- read once for each record: without the limit it would be read anew for each column
  cross join lateral (select r.text::jsonb as b limit 1) as told;

  insert into record_subject (site_id, kind, subject_id, seq)
  select p_site, i.kind, i.id, i.seq
  from json_to_recordset(p_index) as i (seq bigint, kind text, id text)
  on conflict do nothing;

  insert into subject_state (site_id, kind, subject_id, state, last_key, touched_at, live)
  select p_site, s.kind, s.id, s.state, s.last, s.touched, s.live
  from json_to_recordset(p_states) as s (kind text, id text, state jsonb, last jsonb, touched bigint, live boolean)
  on conflict (site_id, kind, subject_id) do update
  set state = excluded.state, last_key = excluded.last_key, touched_at = excluded.touched_at, live = excluded.live;

  perform pg_notify('tadka_record', json_build_object('site', p_site, 'seq', p_last)::text);
  return true;
end $$;

revoke all on function append_records from public;
grant execute on function append_records to tadka_app;
