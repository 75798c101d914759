--
-- PostgreSQL database dump
--



SET statement_timeout = 0;
SET lock_timeout = 0;
SET idle_in_transaction_session_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET client_min_messages = warning;
SET row_security = off;

--
-- Name: append_context(text, uuid[], text[], text[]); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.append_context(p_site text, p_ids uuid[], p_kinds text[], p_subjects text[]) RETURNS jsonb
    LANGUAGE plpgsql
    AS $$
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


--
-- Name: append_records(text, bigint, text, bigint[], uuid[], text[], text[], text[], text[], bigint[], bigint, text[], text[], bigint[], text[], text[], jsonb); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.append_records(p_site text, p_seq bigint, p_prev text, p_seqs bigint[], p_ids uuid[], p_types text[], p_kinds text[], p_subjects text[], p_by text[], p_corrected bigint[], p_received bigint, p_texts text[], p_hashes text[], p_index_seqs bigint[], p_index_kinds text[], p_index_subjects text[], p_states jsonb) RETURNS boolean
    LANGUAGE plpgsql
    AS $$
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


--
-- Name: apply_rights(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.apply_rights() RETURNS trigger
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
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


--
-- Name: finish_site(text); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.finish_site(p_id text) RETURNS void
    LANGUAGE sql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
  update site set is_making = false where id = p_id;
$$;


--
-- Name: found_site(text, bigint, text, text); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.found_site(p_code_hash text, p_now bigint, p_id text, p_name text) RETURNS boolean
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
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


--
-- Name: remove_unfinished_sites(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.remove_unfinished_sites() RETURNS void
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
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


--
-- Name: stage_secret(uuid, text, text, text, text); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.stage_secret(p_record uuid, p_site text, p_person text, p_what text, p_hash text) RETURNS void
    LANGUAGE sql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
  delete from staged_secret where staged_at < now() - interval '1 hour';
  insert into staged_secret (record_id, site_id, person_id, what, hash)
  values (p_record, p_site, p_person, p_what, p_hash);
$$;


SET default_tablespace = '';

SET default_table_access_method = heap;

--
-- Name: backup; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.backup (
    at bigint NOT NULL,
    file text NOT NULL,
    bytes bigint NOT NULL,
    copy text
);


--
-- Name: backup_head; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.backup_head (
    at bigint NOT NULL,
    site_id text NOT NULL,
    seq bigint NOT NULL,
    hash text NOT NULL,
    CONSTRAINT backup_head_hash_check CHECK ((hash ~ '^[0-9a-f]{64}$'::text))
);


--
-- Name: calendar_key; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.calendar_key (
    site_id text NOT NULL,
    person_id text NOT NULL,
    key_hash text NOT NULL,
    made_at bigint NOT NULL,
    CONSTRAINT calendar_key_key_hash_check CHECK ((key_hash ~ '^[0-9a-f]{64}$'::text))
);

ALTER TABLE ONLY public.calendar_key FORCE ROW LEVEL SECURITY;


--
-- Name: cycle; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.cycle (
    site_id text NOT NULL,
    station_id text NOT NULL,
    device_id text NOT NULL,
    boot text NOT NULL,
    key text NOT NULL,
    from_second integer NOT NULL,
    to_second integer NOT NULL,
    ended_at bigint NOT NULL,
    ending text NOT NULL,
    verdict text,
    rinse_low real,
    wash_low real,
    digest text NOT NULL,
    replaced boolean DEFAULT false NOT NULL
);

ALTER TABLE ONLY public.cycle FORCE ROW LEVEL SECURITY;


--
-- Name: device; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.device (
    site_id text NOT NULL,
    id text NOT NULL,
    name text NOT NULL,
    station_id text,
    token_hash text NOT NULL,
    made_at bigint NOT NULL,
    ended_at bigint,
    kind text DEFAULT 'dish-probe'::text NOT NULL,
    of_id text,
    heard_at bigint,
    CONSTRAINT device_kind_check CHECK ((kind = ANY (ARRAY['dish-probe'::text, 'ice-panel'::text, 'thermometer'::text, 'dispenser-meter'::text, 'file'::text]))),
    CONSTRAINT device_token_hash_check CHECK ((token_hash ~ '^[0-9a-f]{64}$'::text))
);

ALTER TABLE ONLY public.device FORCE ROW LEVEL SECURITY;


--
-- Name: device_boot; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.device_boot (
    site_id text NOT NULL,
    device_id text NOT NULL,
    boot text NOT NULL,
    anchor bigint NOT NULL,
    newest integer NOT NULL,
    checkpoint integer NOT NULL,
    received_at bigint NOT NULL
);

ALTER TABLE ONLY public.device_boot FORCE ROW LEVEL SECURITY;


--
-- Name: device_reading; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.device_reading (
    site_id text NOT NULL,
    device_id text NOT NULL,
    at bigint NOT NULL,
    value double precision NOT NULL,
    unit text NOT NULL,
    CONSTRAINT device_reading_unit_check CHECK ((unit = ANY (ARRAY['°C'::text, '°F'::text])))
);

ALTER TABLE ONLY public.device_reading FORCE ROW LEVEL SECURITY;


--
-- Name: enrolment_code; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.enrolment_code (
    site_id text NOT NULL,
    code_hash text NOT NULL,
    made_by text,
    ends_at bigint NOT NULL,
    used_at bigint,
    CONSTRAINT enrolment_code_code_hash_check CHECK ((code_hash ~ '^[0-9a-f]{64}$'::text))
);


--
-- Name: fold_version; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.fold_version (
    only_one boolean DEFAULT true NOT NULL,
    version integer NOT NULL,
    CONSTRAINT fold_version_only_one_check CHECK (only_one)
);


--
-- Name: held_draft; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.held_draft (
    site_id text NOT NULL,
    id uuid NOT NULL,
    draft jsonb NOT NULL,
    why text NOT NULL,
    clock_offset bigint NOT NULL,
    received_at bigint NOT NULL,
    decided_at bigint,
    decided_by text,
    taken boolean,
    reason text
);

ALTER TABLE ONLY public.held_draft FORCE ROW LEVEL SECURITY;


--
-- Name: lesson; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.lesson (
    site_id text NOT NULL,
    kind text NOT NULL,
    subject_id text NOT NULL,
    touched_at bigint NOT NULL,
    version integer NOT NULL,
    what jsonb
);

ALTER TABLE ONLY public.lesson FORCE ROW LEVEL SECURITY;


--
-- Name: logger_file; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.logger_file (
    site_id text NOT NULL,
    id text NOT NULL,
    station_id text NOT NULL,
    imported jsonb NOT NULL,
    received_at bigint NOT NULL
);

ALTER TABLE ONLY public.logger_file FORCE ROW LEVEL SECURITY;


--
-- Name: logger_part; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.logger_part (
    site_id text NOT NULL,
    file_id text NOT NULL,
    part integer NOT NULL,
    from_ms bigint NOT NULL,
    to_ms bigint NOT NULL,
    data bytea NOT NULL
);

ALTER TABLE ONLY public.logger_part FORCE ROW LEVEL SECURITY;


--
-- Name: migration; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.migration (
    id integer NOT NULL,
    name character varying(255) NOT NULL,
    run_on timestamp without time zone NOT NULL
);


--
-- Name: migration_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.migration_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: migration_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.migration_id_seq OWNED BY public.migration.id;


--
-- Name: person; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.person (
    site_id text NOT NULL,
    id text NOT NULL,
    name text NOT NULL,
    role text NOT NULL,
    pin_hash text,
    login text,
    password_hash text,
    left_at bigint,
    pin_to_change boolean DEFAULT false NOT NULL,
    CONSTRAINT person_id_check CHECK ((id ~ '^[a-z0-9][a-z0-9.-]{0,63}$'::text)),
    CONSTRAINT person_role_check CHECK ((role = ANY (ARRAY['crew'::text, 'lead'::text, 'manager'::text])))
);


--
-- Name: photo; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.photo (
    site_id text NOT NULL,
    sha256 text NOT NULL,
    bytes bytea NOT NULL,
    received_at bigint NOT NULL,
    CONSTRAINT photo_sha256_check CHECK ((sha256 ~ '^[0-9a-f]{64}$'::text))
);

ALTER TABLE ONLY public.photo FORCE ROW LEVEL SECURITY;


--
-- Name: pin_try; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.pin_try (
    site_id text NOT NULL,
    tablet_id text NOT NULL,
    person_id text NOT NULL,
    wrong integer NOT NULL
);


--
-- Name: probe; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.probe (
    only_one boolean DEFAULT true NOT NULL,
    at timestamp with time zone NOT NULL,
    CONSTRAINT probe_only_one_check CHECK (only_one)
);


--
-- Name: record; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.record (
    site_id text NOT NULL,
    seq bigint NOT NULL,
    id uuid NOT NULL,
    type text NOT NULL,
    subject_kind text NOT NULL,
    subject_id text NOT NULL,
    by_person text NOT NULL,
    corrected_at bigint NOT NULL,
    received_at bigint NOT NULL,
    text text NOT NULL,
    hash text NOT NULL,
    body jsonb NOT NULL
);

ALTER TABLE ONLY public.record FORCE ROW LEVEL SECURITY;


--
-- Name: record_subject; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.record_subject (
    site_id text NOT NULL,
    kind text NOT NULL,
    subject_id text NOT NULL,
    seq bigint NOT NULL
);

ALTER TABLE ONLY public.record_subject FORCE ROW LEVEL SECURITY;


--
-- Name: sample_minute; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.sample_minute (
    site_id text NOT NULL,
    device_id text NOT NULL,
    boot text NOT NULL,
    minute integer NOT NULL,
    received_at bigint NOT NULL,
    data bytea NOT NULL
);
ALTER TABLE ONLY public.sample_minute ALTER COLUMN data SET STORAGE PLAIN;

ALTER TABLE ONLY public.sample_minute FORCE ROW LEVEL SECURITY;


--
-- Name: session; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.session (
    id bigint NOT NULL,
    token_hash text NOT NULL,
    site_id text NOT NULL,
    device text NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    tablet_id text
);


--
-- Name: session_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

ALTER TABLE public.session ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.session_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: session_person; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.session_person (
    session_id bigint NOT NULL,
    site_id text NOT NULL,
    person_id text NOT NULL,
    signed_in_at bigint NOT NULL,
    signed_out_at bigint
);


--
-- Name: setup_code; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.setup_code (
    code_hash text NOT NULL,
    ends_at bigint NOT NULL,
    CONSTRAINT setup_code_code_hash_check CHECK ((code_hash ~ '^[0-9a-f]{64}$'::text))
);


--
-- Name: signing_key; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.signing_key (
    id integer NOT NULL,
    key bytea NOT NULL,
    CONSTRAINT signing_key_id_check CHECK ((id = 1)),
    CONSTRAINT signing_key_key_check CHECK ((length(key) = 32))
);


--
-- Name: site; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.site (
    id text NOT NULL,
    name text NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    is_making boolean DEFAULT false NOT NULL,
    CONSTRAINT site_id_check CHECK ((id ~ '^[a-z0-9][a-z0-9.-]{0,63}$'::text))
);


--
-- Name: site_head; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.site_head (
    site_id text NOT NULL,
    seq bigint NOT NULL,
    hash text NOT NULL
);

ALTER TABLE ONLY public.site_head FORCE ROW LEVEL SECURITY;


--
-- Name: staged_secret; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.staged_secret (
    record_id uuid NOT NULL,
    site_id text NOT NULL,
    person_id text NOT NULL,
    what text NOT NULL,
    hash text NOT NULL,
    staged_at timestamp with time zone DEFAULT now() NOT NULL,
    CONSTRAINT staged_secret_what_check CHECK ((what = ANY (ARRAY['pin'::text, 'password'::text])))
);


--
-- Name: subject_state; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.subject_state (
    site_id text NOT NULL,
    kind text NOT NULL,
    subject_id text NOT NULL,
    state jsonb NOT NULL,
    last_key jsonb,
    touched_at bigint NOT NULL,
    live boolean NOT NULL
)
WITH (fillfactor='60');

ALTER TABLE ONLY public.subject_state FORCE ROW LEVEL SECURITY;


--
-- Name: tablet; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.tablet (
    site_id text NOT NULL,
    id text NOT NULL,
    name text NOT NULL,
    token_hash text NOT NULL,
    enrolled_at bigint NOT NULL,
    enrolled_by text,
    revoked_at bigint,
    CONSTRAINT tablet_id_check CHECK ((id ~ '^[a-z0-9][a-z0-9.-]{0,63}$'::text)),
    CONSTRAINT tablet_token_hash_check CHECK ((token_hash ~ '^[0-9a-f]{64}$'::text))
);


--
-- Name: migration id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.migration ALTER COLUMN id SET DEFAULT nextval('public.migration_id_seq'::regclass);


--
-- Data for Name: backup; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: backup_head; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: calendar_key; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: cycle; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: device; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: device_boot; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: device_reading; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: enrolment_code; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: fold_version; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.fold_version VALUES (true, 8);


--
-- Data for Name: held_draft; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: lesson; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: logger_file; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: logger_part; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: migration; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.migration VALUES (1, '0001_people', '2026-11-29 22:01:14.760641');
INSERT INTO public.migration VALUES (2, '0002_records', '2026-11-29 22:01:14.848875');
INSERT INTO public.migration VALUES (3, '0003_append', '2026-11-29 22:01:14.899322');
INSERT INTO public.migration VALUES (4, '0004_photos', '2026-11-29 22:01:14.913632');
INSERT INTO public.migration VALUES (5, '0005_fold_version', '2026-11-29 22:01:14.935003');
INSERT INTO public.migration VALUES (6, '0006_calendar_keys', '2026-11-29 22:01:14.955593');
INSERT INTO public.migration VALUES (7, '0007_devices', '2026-11-29 22:01:14.964581');
INSERT INTO public.migration VALUES (8, '0008_loggers_and_devices', '2026-11-29 22:01:14.982249');
INSERT INTO public.migration VALUES (9, '0009_tablets', '2026-11-29 22:01:14.999637');
INSERT INTO public.migration VALUES (10, '0010_passes_and_held', '2026-11-29 22:01:15.09062');
INSERT INTO public.migration VALUES (11, '0011_stage_and_backups', '2026-11-29 22:01:15.10195');
INSERT INTO public.migration VALUES (12, '0012_founding_and_rights', '2026-11-29 22:01:15.111913');
INSERT INTO public.migration VALUES (13, '0013_heads_and_copies', '2026-11-29 22:01:15.126149');
INSERT INTO public.migration VALUES (14, '0014_probe', '2026-11-29 22:01:15.141638');
INSERT INTO public.migration VALUES (15, '0015_lessons', '2026-11-29 22:01:15.145141');


--
-- Data for Name: person; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.person VALUES ('harbour-cafe', 'ada', 'Ada', 'manager', '$argon2id$v=19$m=19456,t=2,p=1$R+ED1BxtPtQID0EIAYNrJQ$Xe11Lln1QL8oNLD2W/MeENm3rv3M6aq7lAW3fZOBC88', 'ada', '$argon2id$v=19$m=19456,t=2,p=1$Akgy4G9NG7WMj1dAUP8Mfw$Sob2a1piG81H953xVMZ4L/4YMn+5juz4hBLlDRJy3DE', NULL, false);


--
-- Data for Name: photo; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: pin_try; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: probe; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: record; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.record VALUES ('harbour-cafe', 1, '01a22953-ab1d-754e-b1e1-0248c0988dbc', 'person.set@1', 'crew', 'ada', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":1,"device":"server","flags":[],"id":"01a22953-ab1d-754e-b1e1-0248c0988dbc","observedAt":1795694400000,"payload":{"left":false,"login":"ada","name":"Ada","role":"manager"},"prev":"0000000000000000000000000000000000000000000000000000000000000000","receivedAt":1795694400000,"seq":1,"site":"harbour-cafe","subject":{"id":"ada","kind":"crew"},"type":"person.set@1"}', '40f341f20e0d0015e5ee7f312797751350c15f0df62f20ce22f263ffa0dd7a7a', '{"by": "ada", "id": "01a22953-ab1d-754e-b1e1-0248c0988dbc", "seq": 1, "prev": "0000000000000000000000000000000000000000000000000000000000000000", "site": "harbour-cafe", "type": "person.set@1", "flags": [], "device": "server", "counter": 1, "payload": {"left": false, "name": "Ada", "role": "manager", "login": "ada"}, "subject": {"id": "ada", "kind": "crew"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 2, '01a22953-abc2-739f-b615-2f30dd03a627', 'person.secret@1', 'crew', 'ada', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":2,"device":"server","flags":[],"id":"01a22953-abc2-739f-b615-2f30dd03a627","observedAt":1795694400000,"payload":{"mark":"2b99f51eb565fef4d935a46c917f8b8866d095c690f191a427a8be62deedec1f","toChange":false,"what":"password"},"prev":"40f341f20e0d0015e5ee7f312797751350c15f0df62f20ce22f263ffa0dd7a7a","receivedAt":1795694400000,"seq":2,"site":"harbour-cafe","subject":{"id":"ada","kind":"crew"},"type":"person.secret@1"}', 'f5f4f20f862c95ecdef2b57cf6493bddfed5f8caa623eb022444de0ff4a1ff66', '{"by": "ada", "id": "01a22953-abc2-739f-b615-2f30dd03a627", "seq": 2, "prev": "40f341f20e0d0015e5ee7f312797751350c15f0df62f20ce22f263ffa0dd7a7a", "site": "harbour-cafe", "type": "person.secret@1", "flags": [], "device": "server", "counter": 2, "payload": {"mark": "2b99f51eb565fef4d935a46c917f8b8866d095c690f191a427a8be62deedec1f", "what": "password", "toChange": false}, "subject": {"id": "ada", "kind": "crew"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 3, '01a22953-ac9b-71e4-9bc6-d101ac680751', 'person.secret@1', 'crew', 'ada', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":3,"device":"server","flags":[],"id":"01a22953-ac9b-71e4-9bc6-d101ac680751","observedAt":1795694400000,"payload":{"mark":"904642ce593a43bdc412ede916cf69c6e20f2ffb9bbb99e9735e140f940b4565","toChange":false,"what":"pin"},"prev":"f5f4f20f862c95ecdef2b57cf6493bddfed5f8caa623eb022444de0ff4a1ff66","receivedAt":1795694400000,"seq":3,"site":"harbour-cafe","subject":{"id":"ada","kind":"crew"},"type":"person.secret@1"}', '13ff72d895ca3094f1e12667795115f534b9549a1ab56481bfab334c27d17fc9', '{"by": "ada", "id": "01a22953-ac9b-71e4-9bc6-d101ac680751", "seq": 3, "prev": "f5f4f20f862c95ecdef2b57cf6493bddfed5f8caa623eb022444de0ff4a1ff66", "site": "harbour-cafe", "type": "person.secret@1", "flags": [], "device": "server", "counter": 3, "payload": {"mark": "904642ce593a43bdc412ede916cf69c6e20f2ffb9bbb99e9735e140f940b4565", "what": "pin", "toChange": false}, "subject": {"id": "ada", "kind": "crew"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 4, '01a22953-ad30-7478-87e9-d1c9b6cdaec4', 'site.set@1', 'site', 'harbour-cafe', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":1,"device":"tab-1","flags":[],"id":"01a22953-ad30-7478-87e9-d1c9b6cdaec4","observedAt":1795694400000,"payload":{"closedDays":[],"country":"US","emergencyNumber":"911","freshHours":4,"hours":{"1":{"close":"24:30","open":"06:00"}},"name":"Harbour Café","sailings":[],"timeZone":"America/New_York","units":"us"},"prev":"13ff72d895ca3094f1e12667795115f534b9549a1ab56481bfab334c27d17fc9","receivedAt":1795694400000,"seq":4,"site":"harbour-cafe","subject":{"id":"harbour-cafe","kind":"site"},"type":"site.set@1"}', 'a7fc7d7d1a9332a12b14cab441f7c46a7616f07c937b2a853d951f5a33432f77', '{"by": "ada", "id": "01a22953-ad30-7478-87e9-d1c9b6cdaec4", "seq": 4, "prev": "13ff72d895ca3094f1e12667795115f534b9549a1ab56481bfab334c27d17fc9", "site": "harbour-cafe", "type": "site.set@1", "flags": [], "device": "tab-1", "counter": 1, "payload": {"name": "Harbour Café", "hours": {"1": {"open": "06:00", "close": "24:30"}}, "units": "us", "country": "US", "sailings": [], "timeZone": "America/New_York", "closedDays": [], "freshHours": 4, "emergencyNumber": "911"}, "subject": {"id": "harbour-cafe", "kind": "site"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 5, '01a22953-ad43-713c-8a92-1989c59532cc', 'tablet.set@1', 'site', 'harbour-cafe', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":4,"device":"server","flags":[],"id":"01a22953-ad43-713c-8a92-1989c59532cc","observedAt":1795694400000,"payload":{"name":"Office","removed":false,"tablet":"tab-1"},"prev":"a7fc7d7d1a9332a12b14cab441f7c46a7616f07c937b2a853d951f5a33432f77","receivedAt":1795694400000,"seq":5,"site":"harbour-cafe","subject":{"id":"harbour-cafe","kind":"site"},"type":"tablet.set@1"}', 'ca7ab8c73a8e666efd47729d3459059520a3bb20571759cad7fa9e5d797440ac', '{"by": "ada", "id": "01a22953-ad43-713c-8a92-1989c59532cc", "seq": 5, "prev": "a7fc7d7d1a9332a12b14cab441f7c46a7616f07c937b2a853d951f5a33432f77", "site": "harbour-cafe", "type": "tablet.set@1", "flags": [], "device": "server", "counter": 4, "payload": {"name": "Office", "tablet": "tab-1", "removed": false}, "subject": {"id": "harbour-cafe", "kind": "site"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 6, '01a22953-ad9f-755a-b3cd-de7f6d813598', 'station.set@1', 'station', 'galley-bucket', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":1,"device":"tab-1","flags":[],"id":"01a22953-ad9f-755a-b3cd-de7f6d813598","observedAt":1795694400000,"payload":{"duties":[{"procedure":"bucket.fill","rule":"Wiping cloths in sanitizer of the right strength: code 3-304.14.","trigger":{"kind":"each-open"}}],"family":"bucket","model":"Six-litre bucket","name":"Galley cloths","parameters":{"bucket":4000,"bucketHolds":6000},"place":"Galley","tag":"31"},"prev":"ca7ab8c73a8e666efd47729d3459059520a3bb20571759cad7fa9e5d797440ac","receivedAt":1795694400000,"seq":6,"site":"harbour-cafe","subject":{"id":"galley-bucket","kind":"station"},"type":"station.set@1"}', 'dc157c0064c1c278bbec5cf59dbc0232fdc0a7e51c745c2a6faf70240e4bc8b5', '{"by": "ada", "id": "01a22953-ad9f-755a-b3cd-de7f6d813598", "seq": 6, "prev": "ca7ab8c73a8e666efd47729d3459059520a3bb20571759cad7fa9e5d797440ac", "site": "harbour-cafe", "type": "station.set@1", "flags": [], "device": "tab-1", "counter": 1, "payload": {"tag": "31", "name": "Galley cloths", "model": "Six-litre bucket", "place": "Galley", "duties": [{"rule": "Wiping cloths in sanitizer of the right strength: code 3-304.14.", "trigger": {"kind": "each-open"}, "procedure": "bucket.fill"}], "family": "bucket", "parameters": {"bucket": 4000, "bucketHolds": 6000}}, "subject": {"id": "galley-bucket", "kind": "station"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 7, '01a22953-ada0-715a-a78c-5c5cfcd421e2', 'station.set@1', 'station', 'galley-dish', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":2,"device":"tab-1","flags":[],"id":"01a22953-ada0-715a-a78c-5c5cfcd421e2","observedAt":1795694400000,"payload":{"duties":[{"procedure":"dish-machine.close","rule":"Cleaned at least every 24 hours: code 4-501.14.","trigger":{"kind":"each-close"}},{"procedure":"dish-machine.open","rule":"Read before the first rack: code 4-501.110, 4-501.112.","trigger":{"kind":"each-open"}},{"procedure":"dish-machine.delime","rule":"By count: hardness of the water here.","trigger":{"every":4000,"kind":"count","of":"racks"}},{"procedure":"dish-machine.delime","rule":"Scale seen: delime.","trigger":{"kind":"sign","sign":"scale"}},{"procedure":"dish-machine.delime","rule":"The rinse is expected to miss 82 °C: code 4-501.112.","trigger":{"kind":"predicted","what":"rinse"}}],"family":"dish-machine.stationary-dual","model":"Cormorant D2, door type with booster","name":"Galley dish machine","options":{"arms":"daily","overnight":"out"},"parameters":{"chemicalMode":1,"conductivity":2.3,"cool":10,"delime":12,"doseHigh":3,"doseLow":1.2,"doseTarget":2,"doseTool":10,"hardness":180,"heat":20,"pressureHigh":170,"pressureLow":100,"racksAnHour":38,"rinseC":82,"rinseWater":3000,"tank":40000,"washC":66,"waterRacks":120},"place":"Galley dish room","tag":"32","up":"trading"},"prev":"dc157c0064c1c278bbec5cf59dbc0232fdc0a7e51c745c2a6faf70240e4bc8b5","receivedAt":1795694400000,"seq":7,"site":"harbour-cafe","subject":{"id":"galley-dish","kind":"station"},"type":"station.set@1"}', '8cbf848d91f6d85ab86768f834cc6998223b839d9fa816fa713d99ea1a55ea83', '{"by": "ada", "id": "01a22953-ada0-715a-a78c-5c5cfcd421e2", "seq": 7, "prev": "dc157c0064c1c278bbec5cf59dbc0232fdc0a7e51c745c2a6faf70240e4bc8b5", "site": "harbour-cafe", "type": "station.set@1", "flags": [], "device": "tab-1", "counter": 2, "payload": {"up": "trading", "tag": "32", "name": "Galley dish machine", "model": "Cormorant D2, door type with booster", "place": "Galley dish room", "duties": [{"rule": "Cleaned at least every 24 hours: code 4-501.14.", "trigger": {"kind": "each-close"}, "procedure": "dish-machine.close"}, {"rule": "Read before the first rack: code 4-501.110, 4-501.112.", "trigger": {"kind": "each-open"}, "procedure": "dish-machine.open"}, {"rule": "By count: hardness of the water here.", "trigger": {"of": "racks", "kind": "count", "every": 4000}, "procedure": "dish-machine.delime"}, {"rule": "Scale seen: delime.", "trigger": {"kind": "sign", "sign": "scale"}, "procedure": "dish-machine.delime"}, {"rule": "The rinse is expected to miss 82 °C: code 4-501.112.", "trigger": {"kind": "predicted", "what": "rinse"}, "procedure": "dish-machine.delime"}], "family": "dish-machine.stationary-dual", "options": {"arms": "daily", "overnight": "out"}, "parameters": {"cool": 10, "heat": 20, "tank": 40000, "washC": 66, "delime": 12, "rinseC": 82, "doseLow": 1.2, "doseHigh": 3, "doseTool": 10, "hardness": 180, "doseTarget": 2, "rinseWater": 3000, "waterRacks": 120, "pressureLow": 100, "racksAnHour": 38, "chemicalMode": 1, "conductivity": 2.3, "pressureHigh": 170}}, "subject": {"id": "galley-dish", "kind": "station"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 8, '01a22953-ada0-715a-a78c-61859ef6ff80', 'station.set@1', 'station', 'kiosk-soft-serve', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":3,"device":"tab-1","flags":[],"id":"01a22953-ada0-715a-a78c-61859ef6ff80","observedAt":1795694400000,"payload":{"duties":[{"procedure":"soft-serve-gravity.close","rule":"TCS dairy mix: cleaned at least daily. Site rule, by the maker’s manual (code 4-602.11(E)(4)).","trigger":{"kind":"each-close"}},{"procedure":"soft-serve-gravity.open","rule":"Sanitized before use: code 4-702.11.","trigger":{"kind":"each-open"}}],"family":"soft-serve-gravity","model":"Puffin One, one barrel","name":"Kiosk soft-serve","parameters":{"agitate":5,"pailHolds":10000,"rinse":3800,"sanitize":5},"place":"Quayside kiosk","tag":"11","up":"rush"},"prev":"8cbf848d91f6d85ab86768f834cc6998223b839d9fa816fa713d99ea1a55ea83","receivedAt":1795694400000,"seq":8,"site":"harbour-cafe","subject":{"id":"kiosk-soft-serve","kind":"station"},"type":"station.set@1"}', 'fc57e6472d3ef06fe3107c87ff21cc21e9efa7dcfe52a92e18383889c5f8136a', '{"by": "ada", "id": "01a22953-ada0-715a-a78c-61859ef6ff80", "seq": 8, "prev": "8cbf848d91f6d85ab86768f834cc6998223b839d9fa816fa713d99ea1a55ea83", "site": "harbour-cafe", "type": "station.set@1", "flags": [], "device": "tab-1", "counter": 3, "payload": {"up": "rush", "tag": "11", "name": "Kiosk soft-serve", "model": "Puffin One, one barrel", "place": "Quayside kiosk", "duties": [{"rule": "TCS dairy mix: cleaned at least daily. Site rule, by the maker’s manual (code 4-602.11(E)(4)).", "trigger": {"kind": "each-close"}, "procedure": "soft-serve-gravity.close"}, {"rule": "Sanitized before use: code 4-702.11.", "trigger": {"kind": "each-open"}, "procedure": "soft-serve-gravity.open"}], "family": "soft-serve-gravity", "parameters": {"rinse": 3800, "agitate": 5, "sanitize": 5, "pailHolds": 10000}}, "subject": {"id": "kiosk-soft-serve", "kind": "station"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 9, '01a22953-ada0-715a-a78c-671073d3428a', 'product.set@1', 'product', 'brineguard', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":4,"device":"tab-1","flags":[],"id":"01a22953-ada0-715a-a78c-671073d3428a","observedAt":1795694400000,"payload":{"agent":"quat","chemicalClass":"quat","firstAid":"Eyes: rinse 15 minutes, then call. Skin: wash off.","name":"Brineguard","neverWith":["detergent","hypochlorite"],"ppe":["gloves","goggles"],"purpose":"Sanitizer for buckets, sinks and surfaces","supply":{"kind":"strength","stock":100000},"uses":[{"contactSeconds":60,"hardestWater":400,"id":"cloths","name":"Wiping cloths","range":{"hi":400,"lo":150},"rinseAfter":false,"target":250,"temperature":{"c":24,"f":75}},{"contactSeconds":60,"hardestWater":400,"id":"ice-sanitizer","name":"Ice machines and bins","range":{"hi":400,"lo":150},"rinseAfter":false,"target":200,"temperature":{"c":24,"f":75}}]},"prev":"fc57e6472d3ef06fe3107c87ff21cc21e9efa7dcfe52a92e18383889c5f8136a","receivedAt":1795694400000,"seq":9,"site":"harbour-cafe","subject":{"id":"brineguard","kind":"product"},"type":"product.set@1"}', '7068195a727074b48a64a546ed224dbad43151ff01bd9922aeb449f3e7748e18', '{"by": "ada", "id": "01a22953-ada0-715a-a78c-671073d3428a", "seq": 9, "prev": "fc57e6472d3ef06fe3107c87ff21cc21e9efa7dcfe52a92e18383889c5f8136a", "site": "harbour-cafe", "type": "product.set@1", "flags": [], "device": "tab-1", "counter": 4, "payload": {"ppe": ["gloves", "goggles"], "name": "Brineguard", "uses": [{"id": "cloths", "name": "Wiping cloths", "range": {"hi": 400, "lo": 150}, "target": 250, "rinseAfter": false, "temperature": {"c": 24, "f": 75}, "hardestWater": 400, "contactSeconds": 60}, {"id": "ice-sanitizer", "name": "Ice machines and bins", "range": {"hi": 400, "lo": 150}, "target": 200, "rinseAfter": false, "temperature": {"c": 24, "f": 75}, "hardestWater": 400, "contactSeconds": 60}], "agent": "quat", "supply": {"kind": "strength", "stock": 100000}, "purpose": "Sanitizer for buckets, sinks and surfaces", "firstAid": "Eyes: rinse 15 minutes, then call. Skin: wash off.", "neverWith": ["detergent", "hypochlorite"], "chemicalClass": "quat"}, "subject": {"id": "brineguard", "kind": "product"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 10, '01a22953-ada0-715a-a78c-6b4cf8580a4f', 'run.started@1', 'run', 'run-1', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":5,"device":"tab-1","flags":[],"id":"01a22953-ada0-715a-a78c-6b4cf8580a4f","inForce":{"options":{},"parameters":{"bucket":4000,"bucketHolds":6000}},"observedAt":1795694400000,"payload":{"parameters":{"bucket":4000,"bucketHolds":6000},"procedure":{"id":"bucket.fill","version":1},"run":"run-1","station":"galley-bucket"},"prev":"7068195a727074b48a64a546ed224dbad43151ff01bd9922aeb449f3e7748e18","receivedAt":1795694400000,"seq":10,"site":"harbour-cafe","subject":{"id":"run-1","kind":"run"},"type":"run.started@1"}', 'ebc900a00578b0b802bfcf3dee8cf22c69d38652365977fbb2d76d13cf10e771', '{"by": "ada", "id": "01a22953-ada0-715a-a78c-6b4cf8580a4f", "seq": 10, "prev": "7068195a727074b48a64a546ed224dbad43151ff01bd9922aeb449f3e7748e18", "site": "harbour-cafe", "type": "run.started@1", "flags": [], "device": "tab-1", "counter": 5, "inForce": {"options": {}, "parameters": {"bucket": 4000, "bucketHolds": 6000}}, "payload": {"run": "run-1", "station": "galley-bucket", "procedure": {"id": "bucket.fill", "version": 1}, "parameters": {"bucket": 4000, "bucketHolds": 6000}}, "subject": {"id": "run-1", "kind": "run"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 11, '01a22953-ada0-715a-a78c-6d0edad699ef', 'sign.seen@1', 'station', 'galley-dish', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":6,"device":"tab-1","flags":[],"id":"01a22953-ada0-715a-a78c-6d0edad699ef","observedAt":1795694400000,"payload":{"note":"tried","sign":"odd","station":"galley-dish"},"prev":"ebc900a00578b0b802bfcf3dee8cf22c69d38652365977fbb2d76d13cf10e771","receivedAt":1795694400000,"seq":11,"site":"harbour-cafe","subject":{"id":"galley-dish","kind":"station"},"type":"sign.seen@1"}', '18a85e6ca6bb04224d74627ce62e237569dc935400057ed761201e3ffe005218', '{"by": "ada", "id": "01a22953-ada0-715a-a78c-6d0edad699ef", "seq": 11, "prev": "ebc900a00578b0b802bfcf3dee8cf22c69d38652365977fbb2d76d13cf10e771", "site": "harbour-cafe", "type": "sign.seen@1", "flags": [], "device": "tab-1", "counter": 6, "payload": {"note": "tried", "sign": "odd", "station": "galley-dish"}, "subject": {"id": "galley-dish", "kind": "station"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');
INSERT INTO public.record VALUES ('harbour-cafe', 12, '01a22953-ada0-715a-a78c-73986a208f50', 'run.parked@1', 'run', 'run-1', 'ada', 1795694400000, 1795694400000, '{"by":"ada","clockOffset":0,"counter":7,"device":"tab-1","flags":[],"id":"01a22953-ada0-715a-a78c-73986a208f50","inForce":{},"observedAt":1795694400000,"payload":{"run":"run-1","station":"galley-bucket"},"prev":"18a85e6ca6bb04224d74627ce62e237569dc935400057ed761201e3ffe005218","receivedAt":1795694400000,"seq":12,"site":"harbour-cafe","subject":{"id":"run-1","kind":"run"},"type":"run.parked@1"}', 'c218669503107a9d02a4331e46768cb91e94046c8d1fe3a21140002b365bb9d5', '{"by": "ada", "id": "01a22953-ada0-715a-a78c-73986a208f50", "seq": 12, "prev": "18a85e6ca6bb04224d74627ce62e237569dc935400057ed761201e3ffe005218", "site": "harbour-cafe", "type": "run.parked@1", "flags": [], "device": "tab-1", "counter": 7, "inForce": {}, "payload": {"run": "run-1", "station": "galley-bucket"}, "subject": {"id": "run-1", "kind": "run"}, "observedAt": 1795694400000, "receivedAt": 1795694400000, "clockOffset": 0}');


--
-- Data for Name: record_subject; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.record_subject VALUES ('harbour-cafe', 'crew', 'ada', 1);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'crew', 'ada', 2);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'crew', 'ada', 3);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'site', 'harbour-cafe', 4);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'site', 'harbour-cafe', 5);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'station', 'galley-bucket', 6);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'station', 'galley-dish', 7);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'station', 'kiosk-soft-serve', 8);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'product', 'brineguard', 9);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'run', 'run-1', 10);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'station', 'galley-bucket', 10);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'station', 'galley-dish', 11);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'run', 'run-1', 12);
INSERT INTO public.record_subject VALUES ('harbour-cafe', 'station', 'galley-bucket', 12);


--
-- Data for Name: sample_minute; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: session; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.session OVERRIDING SYSTEM VALUE VALUES (1, 'f12fca094908b40b2f5314502a8b928ba8a43844b3cb9288600f5b52551a9b07', 'harbour-cafe', 'tab-1', '2026-11-29 22:01:19.449274+00', '2026-11-30 14:01:19.449274+00', 'tab-1');


--
-- Data for Name: session_person; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.session_person VALUES (1, 'harbour-cafe', 'ada', 1795694400000, NULL);


--
-- Data for Name: setup_code; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: signing_key; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.signing_key VALUES (1, '\xb75f4d0ba9e9c1e98fbf875f5f463f221c17a1b70cc08309d33118490db8ca18');


--
-- Data for Name: site; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.site VALUES ('harbour-cafe', 'Harbour Café', '2026-11-29 22:01:18.867746+00', false);


--
-- Data for Name: site_head; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.site_head VALUES ('harbour-cafe', 12, 'c218669503107a9d02a4331e46768cb91e94046c8d1fe3a21140002b365bb9d5');


--
-- Data for Name: staged_secret; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: subject_state; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.subject_state VALUES ('harbour-cafe', 'crew', 'ada', '{"id": "ada", "left": false, "name": "Ada", "role": "manager", "login": "ada", "marks": {"pin": "904642ce593a43bdc412ede916cf69c6e20f2ffb9bbb99e9735e140f940b4565", "password": "2b99f51eb565fef4d935a46c917f8b8866d095c690f191a427a8be62deedec1f"}}', '{"at": 1795694400000, "device": "server", "counter": 3}', 1795694400000, true);
INSERT INTO public.subject_state VALUES ('harbour-cafe', 'site', 'harbour-cafe', '{"id": "harbour-cafe", "name": "Harbour Café", "hours": {"1": {"open": "06:00", "close": "24:30"}}, "units": "us", "country": "US", "sailings": [], "timeZone": "America/New_York", "closedDays": [], "freshHours": 4, "emergencyNumber": "911"}', '{"at": 1795694400000, "device": "tab-1", "counter": 1}', 1795694400000, true);
INSERT INTO public.subject_state VALUES ('harbour-cafe', 'station', 'galley-bucket', '{"id": "galley-bucket", "runs": {"run-1": {"id": "run-1", "cut": {}, "done": {}, "stop": null, "waits": {}, "judged": true, "lastBy": "ada", "reason": "", "status": "parked", "visits": {}, "endedAt": null, "entered": false, "options": {}, "station": "galley-bucket", "document": null, "readings": {}, "procedure": {"id": "bucket.fill", "version": 1}, "startedAt": 1795694400000, "startedBy": "ada", "finishSaid": false, "parameters": {"bucket": 4000, "bucketHolds": 6000}, "startOverridden": null}}, "lanes": {}, "plate": {"tag": "31", "name": "Galley cloths", "model": "Six-litre bucket", "place": "Galley", "duties": [{"rule": "Wiping cloths in sanitizer of the right strength: code 3-304.14.", "trigger": {"kind": "each-open"}, "procedure": "bucket.fill"}], "family": "bucket", "parameters": {"bucket": 4000, "bucketHolds": 6000}}, "signs": [], "before": {}, "closed": {}, "counts": {}, "facets": {"power": "off", "primed": false, "hygiene": "unknown", "assembly": "whole", "contents": "unknown", "partsOut": 0, "temperature": null}, "laidUp": null, "watched": {}, "lastRuns": {}, "countedAt": null, "followUps": [], "washWater": null, "currentRun": {"run": "run-1", "procedure": "bucket.fill", "startedAt": 1795694400000}, "sanitizedAt": null, "notSanitized": {}, "outOfService": null}', '{"at": 1795694400000, "device": "tab-1", "counter": 7}', 1795694400000, true);
INSERT INTO public.subject_state VALUES ('harbour-cafe', 'station', 'galley-dish', '{"id": "galley-dish", "runs": {}, "lanes": {}, "plate": {"up": "trading", "tag": "32", "name": "Galley dish machine", "model": "Cormorant D2, door type with booster", "place": "Galley dish room", "duties": [{"rule": "Cleaned at least every 24 hours: code 4-501.14.", "trigger": {"kind": "each-close"}, "procedure": "dish-machine.close"}, {"rule": "Read before the first rack: code 4-501.110, 4-501.112.", "trigger": {"kind": "each-open"}, "procedure": "dish-machine.open"}, {"rule": "By count: hardness of the water here.", "trigger": {"of": "racks", "kind": "count", "every": 4000}, "procedure": "dish-machine.delime"}, {"rule": "Scale seen: delime.", "trigger": {"kind": "sign", "sign": "scale"}, "procedure": "dish-machine.delime"}, {"rule": "The rinse is expected to miss 82 °C: code 4-501.112.", "trigger": {"kind": "predicted", "what": "rinse"}, "procedure": "dish-machine.delime"}], "family": "dish-machine.stationary-dual", "options": {"arms": "daily", "overnight": "out"}, "parameters": {"cool": 10, "heat": 20, "tank": 40000, "washC": 66, "delime": 12, "rinseC": 82, "doseLow": 1.2, "doseHigh": 3, "doseTool": 10, "hardness": 180, "doseTarget": 2, "rinseWater": 3000, "waterRacks": 120, "pressureLow": 100, "racksAnHour": 38, "chemicalMode": 1, "conductivity": 2.3, "pressureHigh": 170}}, "signs": [{"at": 1795694400000, "by": "ada", "sign": "odd"}], "before": {}, "closed": {}, "counts": {}, "facets": {"power": "off", "primed": false, "hygiene": "unknown", "assembly": "whole", "contents": "unknown", "partsOut": 0, "temperature": null}, "laidUp": null, "watched": {}, "lastRuns": {}, "countedAt": null, "followUps": [], "washWater": null, "currentRun": null, "sanitizedAt": null, "notSanitized": {}, "outOfService": null}', '{"at": 1795694400000, "device": "tab-1", "counter": 6}', 1795694400000, true);
INSERT INTO public.subject_state VALUES ('harbour-cafe', 'station', 'kiosk-soft-serve', '{"id": "kiosk-soft-serve", "runs": {}, "lanes": {}, "plate": {"up": "rush", "tag": "11", "name": "Kiosk soft-serve", "model": "Puffin One, one barrel", "place": "Quayside kiosk", "duties": [{"rule": "TCS dairy mix: cleaned at least daily. Site rule, by the maker’s manual (code 4-602.11(E)(4)).", "trigger": {"kind": "each-close"}, "procedure": "soft-serve-gravity.close"}, {"rule": "Sanitized before use: code 4-702.11.", "trigger": {"kind": "each-open"}, "procedure": "soft-serve-gravity.open"}], "family": "soft-serve-gravity", "parameters": {"rinse": 3800, "agitate": 5, "sanitize": 5, "pailHolds": 10000}}, "signs": [], "before": {}, "closed": {}, "counts": {}, "facets": {"power": "off", "primed": false, "hygiene": "unknown", "assembly": "whole", "contents": "unknown", "partsOut": 0, "temperature": null}, "laidUp": null, "watched": {}, "lastRuns": {}, "countedAt": null, "followUps": [], "washWater": null, "currentRun": null, "sanitizedAt": null, "notSanitized": {}, "outOfService": null}', '{"at": 1795694400000, "device": "tab-1", "counter": 3}', 1795694400000, true);
INSERT INTO public.subject_state VALUES ('harbour-cafe', 'product', 'brineguard', '{"id": "brineguard", "ppe": ["gloves", "goggles"], "name": "Brineguard", "uses": [{"id": "cloths", "name": "Wiping cloths", "range": {"hi": 400, "lo": 150}, "target": 250, "rinseAfter": false, "temperature": {"c": 24, "f": 75}, "hardestWater": 400, "contactSeconds": 60}, {"id": "ice-sanitizer", "name": "Ice machines and bins", "range": {"hi": 400, "lo": 150}, "target": 200, "rinseAfter": false, "temperature": {"c": 24, "f": 75}, "hardestWater": 400, "contactSeconds": 60}], "agent": "quat", "drawn": null, "supply": {"kind": "strength", "stock": 100000}, "purpose": "Sanitizer for buckets, sinks and surfaces", "firstAid": "Eyes: rinse 15 minutes, then call. Skin: wash off.", "container": null, "neverWith": ["detergent", "hypochlorite"], "chemicalClass": "quat"}', '{"at": 1795694400000, "device": "tab-1", "counter": 4}', 1795694400000, true);
INSERT INTO public.subject_state VALUES ('harbour-cafe', 'run', 'run-1', '{"id": "run-1", "cut": {}, "done": {}, "stop": null, "waits": {}, "judged": true, "lastBy": "ada", "reason": "", "status": "parked", "visits": {}, "endedAt": null, "entered": false, "options": {}, "station": "galley-bucket", "document": null, "readings": {}, "procedure": {"id": "bucket.fill", "version": 1}, "startedAt": 1795694400000, "startedBy": "ada", "finishSaid": false, "parameters": {"bucket": 4000, "bucketHolds": 6000}, "startOverridden": null}', '{"at": 1795694400000, "device": "tab-1", "counter": 7}', 1795694400000, true);


--
-- Data for Name: tablet; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.tablet VALUES ('harbour-cafe', 'tab-1', 'Office', '342a59d065be10c50b89cca5278294092cbe31aeabb756671d5f1d0d9f5e0349', 1795694400000, 'ada', NULL);


--
-- Name: migration_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.migration_id_seq', 15, true);


--
-- Name: session_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.session_id_seq', 1, true);


--
-- Name: backup_head backup_head_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.backup_head
    ADD CONSTRAINT backup_head_pkey PRIMARY KEY (site_id, at);


--
-- Name: backup backup_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.backup
    ADD CONSTRAINT backup_pkey PRIMARY KEY (at);


--
-- Name: calendar_key calendar_key_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.calendar_key
    ADD CONSTRAINT calendar_key_pkey PRIMARY KEY (site_id, person_id);


--
-- Name: cycle cycle_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.cycle
    ADD CONSTRAINT cycle_pkey PRIMARY KEY (site_id, key);


--
-- Name: device_boot device_boot_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device_boot
    ADD CONSTRAINT device_boot_pkey PRIMARY KEY (site_id, device_id, boot);


--
-- Name: device device_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT device_pkey PRIMARY KEY (site_id, id);


--
-- Name: device_reading device_reading_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device_reading
    ADD CONSTRAINT device_reading_pkey PRIMARY KEY (site_id, device_id);


--
-- Name: enrolment_code enrolment_code_code_hash_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.enrolment_code
    ADD CONSTRAINT enrolment_code_code_hash_key UNIQUE (code_hash);


--
-- Name: fold_version fold_version_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.fold_version
    ADD CONSTRAINT fold_version_pkey PRIMARY KEY (only_one);


--
-- Name: held_draft held_draft_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.held_draft
    ADD CONSTRAINT held_draft_pkey PRIMARY KEY (site_id, id);


--
-- Name: lesson lesson_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.lesson
    ADD CONSTRAINT lesson_pkey PRIMARY KEY (site_id, kind, subject_id);


--
-- Name: logger_file logger_file_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.logger_file
    ADD CONSTRAINT logger_file_pkey PRIMARY KEY (site_id, id);


--
-- Name: logger_part logger_part_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.logger_part
    ADD CONSTRAINT logger_part_pkey PRIMARY KEY (site_id, file_id, part);


--
-- Name: migration migration_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.migration
    ADD CONSTRAINT migration_pkey PRIMARY KEY (id);


--
-- Name: person person_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.person
    ADD CONSTRAINT person_pkey PRIMARY KEY (site_id, id);


--
-- Name: person person_site_id_login_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.person
    ADD CONSTRAINT person_site_id_login_key UNIQUE (site_id, login);


--
-- Name: photo photo_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photo
    ADD CONSTRAINT photo_pkey PRIMARY KEY (site_id, sha256);


--
-- Name: pin_try pin_try_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin_try
    ADD CONSTRAINT pin_try_pkey PRIMARY KEY (site_id, tablet_id, person_id);


--
-- Name: probe probe_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.probe
    ADD CONSTRAINT probe_pkey PRIMARY KEY (only_one);


--
-- Name: record record_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.record
    ADD CONSTRAINT record_pkey PRIMARY KEY (site_id, seq);


--
-- Name: record record_site_id_id_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.record
    ADD CONSTRAINT record_site_id_id_key UNIQUE (site_id, id);


--
-- Name: record_subject record_subject_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.record_subject
    ADD CONSTRAINT record_subject_pkey PRIMARY KEY (site_id, kind, subject_id, seq);


--
-- Name: sample_minute sample_minute_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sample_minute
    ADD CONSTRAINT sample_minute_pkey PRIMARY KEY (site_id, device_id, boot, minute);


--
-- Name: session_person session_person_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session_person
    ADD CONSTRAINT session_person_pkey PRIMARY KEY (session_id, person_id, signed_in_at);


--
-- Name: session session_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session
    ADD CONSTRAINT session_pkey PRIMARY KEY (id);


--
-- Name: session session_token_hash_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session
    ADD CONSTRAINT session_token_hash_key UNIQUE (token_hash);


--
-- Name: setup_code setup_code_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.setup_code
    ADD CONSTRAINT setup_code_pkey PRIMARY KEY (code_hash);


--
-- Name: signing_key signing_key_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.signing_key
    ADD CONSTRAINT signing_key_pkey PRIMARY KEY (id);


--
-- Name: site_head site_head_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.site_head
    ADD CONSTRAINT site_head_pkey PRIMARY KEY (site_id);


--
-- Name: site site_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.site
    ADD CONSTRAINT site_pkey PRIMARY KEY (id);


--
-- Name: staged_secret staged_secret_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.staged_secret
    ADD CONSTRAINT staged_secret_pkey PRIMARY KEY (record_id);


--
-- Name: subject_state subject_state_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.subject_state
    ADD CONSTRAINT subject_state_pkey PRIMARY KEY (site_id, kind, subject_id);


--
-- Name: tablet tablet_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.tablet
    ADD CONSTRAINT tablet_pkey PRIMARY KEY (site_id, id);


--
-- Name: tablet tablet_token_hash_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.tablet
    ADD CONSTRAINT tablet_token_hash_key UNIQUE (token_hash);


--
-- Name: cycle_by_time; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX cycle_by_time ON public.cycle USING btree (site_id, station_id, ended_at);


--
-- Name: cycle_of_boot; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX cycle_of_boot ON public.cycle USING btree (site_id, device_id, boot, to_second);


--
-- Name: held_undecided; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX held_undecided ON public.held_draft USING btree (site_id, received_at) WHERE (decided_at IS NULL);


--
-- Name: record_by_time; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX record_by_time ON public.record USING btree (site_id, corrected_at DESC);


--
-- Name: sample_minute_by_time; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX sample_minute_by_time ON public.sample_minute USING brin (received_at);


--
-- Name: record rights; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER rights AFTER INSERT ON public.record FOR EACH ROW WHEN ((new.type = ANY (ARRAY['person.set@1'::text, 'person.secret@1'::text]))) EXECUTE FUNCTION public.apply_rights();


--
-- Name: backup_head backup_head_at_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.backup_head
    ADD CONSTRAINT backup_head_at_fkey FOREIGN KEY (at) REFERENCES public.backup(at) ON DELETE CASCADE;


--
-- Name: backup_head backup_head_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.backup_head
    ADD CONSTRAINT backup_head_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: calendar_key calendar_key_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.calendar_key
    ADD CONSTRAINT calendar_key_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: device_reading device_reading_site_id_device_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device_reading
    ADD CONSTRAINT device_reading_site_id_device_id_fkey FOREIGN KEY (site_id, device_id) REFERENCES public.device(site_id, id);


--
-- Name: device device_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT device_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: enrolment_code enrolment_code_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.enrolment_code
    ADD CONSTRAINT enrolment_code_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: held_draft held_draft_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.held_draft
    ADD CONSTRAINT held_draft_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: logger_file logger_file_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.logger_file
    ADD CONSTRAINT logger_file_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: logger_part logger_part_site_id_file_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.logger_part
    ADD CONSTRAINT logger_part_site_id_file_id_fkey FOREIGN KEY (site_id, file_id) REFERENCES public.logger_file(site_id, id) ON DELETE CASCADE;


--
-- Name: person person_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.person
    ADD CONSTRAINT person_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: photo photo_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photo
    ADD CONSTRAINT photo_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: pin_try pin_try_site_id_person_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin_try
    ADD CONSTRAINT pin_try_site_id_person_id_fkey FOREIGN KEY (site_id, person_id) REFERENCES public.person(site_id, id);


--
-- Name: pin_try pin_try_site_id_tablet_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin_try
    ADD CONSTRAINT pin_try_site_id_tablet_id_fkey FOREIGN KEY (site_id, tablet_id) REFERENCES public.tablet(site_id, id);


--
-- Name: session_person session_person_session_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session_person
    ADD CONSTRAINT session_person_session_id_fkey FOREIGN KEY (session_id) REFERENCES public.session(id) ON DELETE CASCADE;


--
-- Name: session_person session_person_site_id_person_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session_person
    ADD CONSTRAINT session_person_site_id_person_id_fkey FOREIGN KEY (site_id, person_id) REFERENCES public.person(site_id, id);


--
-- Name: session session_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session
    ADD CONSTRAINT session_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: session session_site_id_tablet_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session
    ADD CONSTRAINT session_site_id_tablet_id_fkey FOREIGN KEY (site_id, tablet_id) REFERENCES public.tablet(site_id, id);


--
-- Name: site_head site_head_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.site_head
    ADD CONSTRAINT site_head_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: staged_secret staged_secret_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.staged_secret
    ADD CONSTRAINT staged_secret_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: tablet tablet_site_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.tablet
    ADD CONSTRAINT tablet_site_id_fkey FOREIGN KEY (site_id) REFERENCES public.site(id);


--
-- Name: backup_head; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.backup_head ENABLE ROW LEVEL SECURITY;

--
-- Name: calendar_key; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.calendar_key ENABLE ROW LEVEL SECURITY;

--
-- Name: cycle; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.cycle ENABLE ROW LEVEL SECURITY;

--
-- Name: device; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.device ENABLE ROW LEVEL SECURITY;

--
-- Name: device_boot; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.device_boot ENABLE ROW LEVEL SECURITY;

--
-- Name: device_reading; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.device_reading ENABLE ROW LEVEL SECURITY;

--
-- Name: held_draft; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.held_draft ENABLE ROW LEVEL SECURITY;

--
-- Name: lesson; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.lesson ENABLE ROW LEVEL SECURITY;

--
-- Name: logger_file; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.logger_file ENABLE ROW LEVEL SECURITY;

--
-- Name: logger_part; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.logger_part ENABLE ROW LEVEL SECURITY;

--
-- Name: backup_head own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.backup_head USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: calendar_key own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.calendar_key USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: cycle own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.cycle USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: device own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.device USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: device_boot own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.device_boot USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: device_reading own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.device_reading USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: held_draft own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.held_draft USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: lesson own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.lesson USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: logger_file own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.logger_file USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: logger_part own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.logger_part USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: photo own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.photo USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: record own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.record USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: record_subject own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.record_subject USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: sample_minute own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.sample_minute USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: site_head own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.site_head USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: subject_state own_site; Type: POLICY; Schema: public; Owner: -
--

CREATE POLICY own_site ON public.subject_state USING ((site_id = current_setting('tadka.site'::text, true)));


--
-- Name: photo; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.photo ENABLE ROW LEVEL SECURITY;

--
-- Name: record; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.record ENABLE ROW LEVEL SECURITY;

--
-- Name: record_subject; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.record_subject ENABLE ROW LEVEL SECURITY;

--
-- Name: sample_minute; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.sample_minute ENABLE ROW LEVEL SECURITY;

--
-- Name: site_head; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.site_head ENABLE ROW LEVEL SECURITY;

--
-- Name: subject_state; Type: ROW SECURITY; Schema: public; Owner: -
--

ALTER TABLE public.subject_state ENABLE ROW LEVEL SECURITY;

--
-- Name: SCHEMA public; Type: ACL; Schema: -; Owner: -
--

GRANT USAGE ON SCHEMA public TO tadka_app;


--
-- Name: FUNCTION append_context(p_site text, p_ids uuid[], p_kinds text[], p_subjects text[]); Type: ACL; Schema: public; Owner: -
--

REVOKE ALL ON FUNCTION public.append_context(p_site text, p_ids uuid[], p_kinds text[], p_subjects text[]) FROM PUBLIC;
GRANT ALL ON FUNCTION public.append_context(p_site text, p_ids uuid[], p_kinds text[], p_subjects text[]) TO tadka_app;


--
-- Name: FUNCTION append_records(p_site text, p_seq bigint, p_prev text, p_seqs bigint[], p_ids uuid[], p_types text[], p_kinds text[], p_subjects text[], p_by text[], p_corrected bigint[], p_received bigint, p_texts text[], p_hashes text[], p_index_seqs bigint[], p_index_kinds text[], p_index_subjects text[], p_states jsonb); Type: ACL; Schema: public; Owner: -
--

REVOKE ALL ON FUNCTION public.append_records(p_site text, p_seq bigint, p_prev text, p_seqs bigint[], p_ids uuid[], p_types text[], p_kinds text[], p_subjects text[], p_by text[], p_corrected bigint[], p_received bigint, p_texts text[], p_hashes text[], p_index_seqs bigint[], p_index_kinds text[], p_index_subjects text[], p_states jsonb) FROM PUBLIC;
GRANT ALL ON FUNCTION public.append_records(p_site text, p_seq bigint, p_prev text, p_seqs bigint[], p_ids uuid[], p_types text[], p_kinds text[], p_subjects text[], p_by text[], p_corrected bigint[], p_received bigint, p_texts text[], p_hashes text[], p_index_seqs bigint[], p_index_kinds text[], p_index_subjects text[], p_states jsonb) TO tadka_app;


--
-- Name: FUNCTION apply_rights(); Type: ACL; Schema: public; Owner: -
--

REVOKE ALL ON FUNCTION public.apply_rights() FROM PUBLIC;


--
-- Name: FUNCTION finish_site(p_id text); Type: ACL; Schema: public; Owner: -
--

REVOKE ALL ON FUNCTION public.finish_site(p_id text) FROM PUBLIC;
GRANT ALL ON FUNCTION public.finish_site(p_id text) TO tadka_app;


--
-- Name: FUNCTION found_site(p_code_hash text, p_now bigint, p_id text, p_name text); Type: ACL; Schema: public; Owner: -
--

REVOKE ALL ON FUNCTION public.found_site(p_code_hash text, p_now bigint, p_id text, p_name text) FROM PUBLIC;
GRANT ALL ON FUNCTION public.found_site(p_code_hash text, p_now bigint, p_id text, p_name text) TO tadka_app;


--
-- Name: FUNCTION remove_unfinished_sites(); Type: ACL; Schema: public; Owner: -
--

REVOKE ALL ON FUNCTION public.remove_unfinished_sites() FROM PUBLIC;


--
-- Name: FUNCTION stage_secret(p_record uuid, p_site text, p_person text, p_what text, p_hash text); Type: ACL; Schema: public; Owner: -
--

REVOKE ALL ON FUNCTION public.stage_secret(p_record uuid, p_site text, p_person text, p_what text, p_hash text) FROM PUBLIC;
GRANT ALL ON FUNCTION public.stage_secret(p_record uuid, p_site text, p_person text, p_what text, p_hash text) TO tadka_app;


--
-- Name: TABLE backup; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT ON TABLE public.backup TO tadka_app;


--
-- Name: TABLE backup_head; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT ON TABLE public.backup_head TO tadka_app;


--
-- Name: TABLE calendar_key; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.calendar_key TO tadka_app;


--
-- Name: TABLE cycle; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.cycle TO tadka_app;


--
-- Name: TABLE device; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.device TO tadka_app;


--
-- Name: TABLE device_boot; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.device_boot TO tadka_app;


--
-- Name: TABLE device_reading; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.device_reading TO tadka_app;


--
-- Name: TABLE enrolment_code; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.enrolment_code TO tadka_app;


--
-- Name: TABLE fold_version; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.fold_version TO tadka_app;


--
-- Name: TABLE held_draft; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.held_draft TO tadka_app;


--
-- Name: TABLE lesson; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.lesson TO tadka_app;


--
-- Name: TABLE logger_file; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,DELETE ON TABLE public.logger_file TO tadka_app;


--
-- Name: TABLE logger_part; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,DELETE ON TABLE public.logger_part TO tadka_app;


--
-- Name: TABLE person; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT ON TABLE public.person TO tadka_app;


--
-- Name: TABLE photo; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT ON TABLE public.photo TO tadka_app;


--
-- Name: TABLE pin_try; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE public.pin_try TO tadka_app;


--
-- Name: TABLE probe; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.probe TO tadka_app;


--
-- Name: TABLE record; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT ON TABLE public.record TO tadka_app;


--
-- Name: TABLE record_subject; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT ON TABLE public.record_subject TO tadka_app;


--
-- Name: TABLE sample_minute; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE public.sample_minute TO tadka_app;


--
-- Name: TABLE session; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE public.session TO tadka_app;


--
-- Name: TABLE session_person; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE public.session_person TO tadka_app;


--
-- Name: TABLE signing_key; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT ON TABLE public.signing_key TO tadka_app;


--
-- Name: TABLE site; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT ON TABLE public.site TO tadka_app;


--
-- Name: TABLE site_head; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.site_head TO tadka_app;


--
-- Name: TABLE subject_state; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE public.subject_state TO tadka_app;


--
-- Name: TABLE tablet; Type: ACL; Schema: public; Owner: -
--

GRANT SELECT,INSERT,UPDATE ON TABLE public.tablet TO tadka_app;


--
-- PostgreSQL database dump complete
--


