-- Up Migration

-- What a batch must know before it is put into the chain: the head, which of its ids are there already, and the
-- states of the subjects it touches. One call, one snapshot.
create function append_context(p_site text, p_ids uuid[], p_kinds text[], p_subjects text[])
returns jsonb language plpgsql as $$
declare
  result jsonb;
begin
  perform set_config('tadka.site', p_site, true);
  select jsonb_build_object(
    'seq', coalesce((select seq from site_head where site_id = p_site), 0),
    'hash', coalesce((select hash from site_head where site_id = p_site), repeat('0', 64)),
    'known', coalesce((
      select jsonb_agg(jsonb_build_object('id', r.id, 'seq', r.seq, 'text', r.text))
      from record r where r.site_id = p_site and r.id = any (p_ids)), '[]'),
    'states', coalesce((
      select jsonb_agg(jsonb_build_object('kind', wanted.kind, 'id', wanted.id, 'state', found.state, 'last', found.last_key))
      from unnest(p_kinds, p_subjects) as wanted (kind, id)
      -- one look-up by key each; as a plain join the planner would read the whole site
      cross join lateral (
        select s.state, s.last_key from subject_state s
        where s.site_id = p_site and s.kind = wanted.kind and s.subject_id = wanted.id limit 1) as found), '[]'))
  into result;
  return result;
end $$;

-- Puts records into the chain, keeps the states, tells the tablets: all of it, or nothing where the head has moved on
-- since it was read (returns false: read again).
create function append_records(
  p_site text, p_seq bigint, p_prev text,
  p_seqs bigint[], p_ids uuid[], p_types text[], p_kinds text[], p_subjects text[], p_by text[],
  p_corrected bigint[], p_received bigint, p_texts text[], p_hashes text[],
  p_index_seqs bigint[], p_index_kinds text[], p_index_subjects text[],
  p_states jsonb)
returns boolean language plpgsql as $$
declare
  last integer := cardinality(p_seqs);
begin
  perform set_config('tadka.site', p_site, true);
  if p_seq = 0 then
    insert into site_head values (p_site, p_seqs[last], p_hashes[last]) on conflict do nothing;
  else
    update site_head set seq = p_seqs[last], hash = p_hashes[last]
    where site_id = p_site and seq = p_seq and hash = p_prev;
  end if;
  if not found then
    return false;
  end if;

  insert into record
  select p_site, r.seq, r.id, r.type, r.kind, r.subject, r.by_person, r.corrected, p_received, r.text, r.hash, r.text::jsonb
  from unnest(p_seqs, p_ids, p_types, p_kinds, p_subjects, p_by, p_corrected, p_texts, p_hashes)
    as r (seq, id, type, kind, subject, by_person, corrected, text, hash);

  insert into record_subject
  select p_site, i.kind, i.subject, i.seq
  from unnest(p_index_seqs, p_index_kinds, p_index_subjects) as i (seq, kind, subject)
  on conflict do nothing;

  insert into subject_state
  select p_site, s.kind, s.id, s.state, s.last, s.touched, s.live
  from jsonb_to_recordset(p_states) as s (kind text, id text, state jsonb, last jsonb, touched bigint, live boolean)
  on conflict (site_id, kind, subject_id) do update
  set state = excluded.state, last_key = excluded.last_key, touched_at = excluded.touched_at, live = excluded.live;

  perform pg_notify('tadka_record', json_build_object('site', p_site, 'seq', p_seqs[last])::text);
  return true;
end $$;

revoke all on function append_context, append_records from public;
grant execute on function append_context, append_records to tadka_app;
