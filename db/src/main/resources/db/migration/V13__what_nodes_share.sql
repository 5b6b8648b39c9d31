-- What a judgement rests on is said by the core and kept with it; triggers know no physics any more.
DROP TRIGGER reading_forgets_ledger_days ON reading;
DROP TRIGGER event_forgets_ledger_days ON event;
DROP TRIGGER weather_told_forgets_days ON hourly_weather;
DROP TRIGGER weather_corrected_forgets_days ON hourly_weather;
DROP TRIGGER part_forgets_ledger_days ON plant_part;
DROP FUNCTION forget_ledger_days();
DROP FUNCTION forget_days_since_event();
DROP FUNCTION forget_sunlit_days();
DROP FUNCTION forget_days_of_part();
DROP FUNCTION store_has_part(heat_store, text);
DROP FUNCTION stores_of_part(jsonb);
DROP TABLE ledger_day;
DROP TABLE run_judgement;

-- Run sheets and ledger days as they were judged. What is told of anything they rest on counts up `touches`; they are right while that is what it was
-- when their inputs were gathered.
CREATE TABLE judgement (
  holding_id   uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  store_id     uuid NOT NULL REFERENCES heat_store ON DELETE CASCADE,
  kind         text NOT NULL CONSTRAINT judgement_kind CHECK (kind IN ('DAY', 'SHEET')),
  subject      text NOT NULL,        -- a day's evening, a sheet's run
  run_id       uuid REFERENCES run ON DELETE CASCADE, -- of a sheet
  rests_on     text[] NOT NULL,      -- probes, events by kind, sky, design: keys as the program writes them
  rests_from   timestamptz NOT NULL,
  rests_to     timestamptz NOT NULL,
  touches      bigint NOT NULL DEFAULT 0,
  judged       bigint,               -- touches when its inputs were gathered; absent until it has been judged
  judged_to    timestamptz,          -- moment of the last reading; absent where there is none
  late         boolean NOT NULL DEFAULT false, -- whether something else than readings after its last has touched it since
  touched_at   timestamptz,          -- when that began; by the database's clock, since a demo's stands still
  code         integer,              -- version of the code that judged
  fingerprint  text,                 -- of the inputs
  result       jsonb,
  PRIMARY KEY (store_id, kind, subject)
);
CREATE INDEX judgement_by_time ON judgement (holding_id, rests_to);
CREATE INDEX judgement_by_run ON judgement (run_id) WHERE run_id IS NOT NULL;

-- Long work: taken by one node at a time, told how far it is, taken anew when its node is gone.
CREATE TABLE job (
  id          uuid PRIMARY KEY,
  holding_id  uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  kind        text NOT NULL,
  subject     text NOT NULL,         -- what it is about: asked for twice, it is done once
  asked       jsonb NOT NULL,
  state       text NOT NULL CONSTRAINT job_state CHECK (state IN ('WAITING', 'RUNNING', 'DONE', 'FAILED', 'STOPPED')),
  stop        boolean NOT NULL DEFAULT false,
  node        uuid,                  -- who is at it
  alive_at    timestamptz,           -- when that node last said so
  tries       integer NOT NULL DEFAULT 0,
  progress    jsonb,
  result      jsonb,
  problem     text NOT NULL DEFAULT '',
  asked_at    timestamptz NOT NULL DEFAULT now(),
  rank        integer NOT NULL DEFAULT 0, -- among those asked for at once
  ended_at    timestamptz
);
CREATE UNIQUE INDEX job_once ON job (holding_id, kind, subject) WHERE state IN ('WAITING', 'RUNNING');
CREATE INDEX job_open ON job (kind, asked_at) WHERE state IN ('WAITING', 'RUNNING');
CREATE INDEX job_ended ON job (ended_at) WHERE ended_at IS NOT NULL;

-- Whose turn it was last, so that a holding with much to do does not keep others waiting.
CREATE TABLE job_turn (
  holding_id uuid PRIMARY KEY REFERENCES holding ON DELETE CASCADE,
  at         timestamptz NOT NULL
);

-- Files handed over, until they are read: any node can.
CREATE TABLE upload_part (
  import_id uuid NOT NULL REFERENCES import_file ON DELETE CASCADE,
  part      integer NOT NULL,
  bytes     bytea NOT NULL,
  PRIMARY KEY (import_id, part)
);
ALTER TABLE import_file ADD COLUMN dialect text NOT NULL DEFAULT '';           -- fingerprint of heading and dialect as first understood
ALTER TABLE import_file ADD COLUMN ambiguous boolean NOT NULL DEFAULT false;   -- whether its dates read either way round
ALTER TABLE import_file DROP CONSTRAINT import_file_state;
UPDATE import_file SET state = 'FAILED', problem = 'The program was renewed meanwhile; choose the file again.'
 WHERE state IN ('UPLOADED', 'RUNNING');
ALTER TABLE import_file ADD CONSTRAINT import_file_state CHECK (state IN ('UPLOADED', 'RUNNING', 'DONE', 'FAILED', 'STOPPED'));

-- Tries that are left, by whose they are: a bucket that fills with time.
CREATE TABLE allowance (
  who       text PRIMARY KEY,
  left_over double precision NOT NULL,
  at        timestamptz NOT NULL
);
CREATE INDEX allowance_by_time ON allowance (at);

-- Sessions, as Spring Session keeps them.
CREATE TABLE spring_session (
  primary_id            char(36) NOT NULL CONSTRAINT spring_session_pk PRIMARY KEY,
  session_id            char(36) NOT NULL,
  creation_time         bigint NOT NULL,
  last_access_time      bigint NOT NULL,
  max_inactive_interval integer NOT NULL,
  expiry_time           bigint NOT NULL,
  principal_name        varchar(100)
);
CREATE UNIQUE INDEX spring_session_ix1 ON spring_session (session_id);
CREATE INDEX spring_session_ix2 ON spring_session (expiry_time);
CREATE INDEX spring_session_ix3 ON spring_session (principal_name);
CREATE TABLE spring_session_attributes (
  session_primary_id char(36) NOT NULL REFERENCES spring_session (primary_id) ON DELETE CASCADE,
  attribute_name     varchar(200) NOT NULL,
  attribute_bytes    bytea NOT NULL,
  PRIMARY KEY (session_primary_id, attribute_name)
);

-- A month is made beside the table and hung into it: nobody who writes or reads meanwhile has to wait.
CREATE OR REPLACE FUNCTION ensure_reading_month(month_of timestamptz) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  first_day timestamptz := date_trunc('month', month_of AT TIME ZONE 'UTC') AT TIME ZONE 'UTC';
  next_month timestamptz := (date_trunc('month', month_of AT TIME ZONE 'UTC') + interval '1 month') AT TIME ZONE 'UTC';
  part text := 'reading_' || to_char(first_day AT TIME ZONE 'UTC', 'YYYY_MM');
BEGIN
  IF to_regclass(part) IS NULL THEN
    PERFORM pg_advisory_xact_lock(hashtext('reading_partitions'));
    IF to_regclass(part) IS NULL THEN
      EXECUTE format('CREATE TABLE %I (LIKE reading INCLUDING ALL)', part);
      EXECUTE format('ALTER TABLE reading ATTACH PARTITION %I FOR VALUES FROM (%L) TO (%L)', part, first_day, next_month);
    END IF;
  END IF;
END $$;

-- Ice that was seen is something of its own, not a word in a note; a hearth's damper is moved too.
ALTER TABLE event DROP CONSTRAINT event_kind;
ALTER TABLE event ADD CONSTRAINT event_kind CHECK (kind IN ('FIRE_LIT', 'FUEL_ADDED', 'LID', 'SCREEN', 'DOOR', 'VENT', 'DAMPER',
  'PUMP', 'ELEMENT', 'HEAP', 'WATER', 'REPAIR', 'ICE', 'SEEN', 'NOTE'));
ALTER TABLE event DROP CONSTRAINT event_way;
ALTER TABLE event ADD CONSTRAINT event_way CHECK (
  way IS NULL
  OR kind IN ('LID', 'PUMP', 'ELEMENT') AND way IN ('ON', 'OFF')
  OR kind IN ('SCREEN', 'DOOR', 'VENT', 'DAMPER') AND way IN ('OPEN', 'SHUT'));
ALTER TABLE event ADD COLUMN seq bigint GENERATED ALWAYS AS IDENTITY; -- order of arrival, for events of the same moment

-- Holdings' files of earlier versions are read with it too.
CREATE FUNCTION ice_from_notes(of_holding uuid) RETURNS void LANGUAGE sql AS $$
  UPDATE event SET kind = 'ICE'
   WHERE holding_id = of_holding AND kind = 'SEEN' AND note ~* '\y(ice|rime)\y'
     AND note !~* '\y(no|without|not any|never any)\s+(ice|rime)\y'
$$;
SELECT ice_from_notes(id) FROM holding;
