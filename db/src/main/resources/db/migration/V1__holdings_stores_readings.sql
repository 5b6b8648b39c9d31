-- SI units, °C, timestamptz throughout. Every row of a grower's belongs to a holding.

CREATE TABLE person (
  id            uuid PRIMARY KEY,
  login         text NOT NULL CONSTRAINT person_login_unique UNIQUE
                CONSTRAINT person_login_form CHECK (login = lower(login) AND length(login) BETWEEN 2 AND 100),
  name          text NOT NULL CONSTRAINT person_name_length CHECK (length(name) BETWEEN 1 AND 200),
  password_hash text NOT NULL,
  fahrenheit    boolean NOT NULL DEFAULT false,
  created_at    timestamptz NOT NULL
);

CREATE TABLE holding (
  id         uuid PRIMARY KEY,
  name       text NOT NULL CONSTRAINT holding_name_length CHECK (length(name) BETWEEN 1 AND 200),
  latitude   double precision NOT NULL CONSTRAINT holding_latitude CHECK (latitude BETWEEN -90 AND 90),
  longitude  double precision NOT NULL CONSTRAINT holding_longitude CHECK (longitude BETWEEN -180 AND 180),
  zone       text NOT NULL,
  created_at timestamptz NOT NULL
);

CREATE TABLE membership (
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  person_id  uuid NOT NULL REFERENCES person ON DELETE CASCADE,
  role       text NOT NULL CONSTRAINT membership_role CHECK (role IN ('KEEPER', 'HELPER', 'GUEST')),
  PRIMARY KEY (person_id, holding_id)
);
CREATE INDEX membership_by_holding ON membership (holding_id);

CREATE TABLE greenhouse (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  name       text NOT NULL CONSTRAINT greenhouse_name_length CHECK (length(name) BETWEEN 1 AND 200),
  design     jsonb NOT NULL,
  version    integer NOT NULL DEFAULT 1,
  updated_at timestamptz NOT NULL
);
CREATE INDEX greenhouse_by_holding ON greenhouse (holding_id);

CREATE TABLE heat_store (
  id            uuid PRIMARY KEY,
  holding_id    uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  greenhouse_id uuid REFERENCES greenhouse ON DELETE SET NULL, -- absent: it warms no house
  name          text NOT NULL CONSTRAINT heat_store_name_length CHECK (length(name) BETWEEN 1 AND 200),
  design        jsonb NOT NULL,
  version       integer NOT NULL DEFAULT 1,
  updated_at    timestamptz NOT NULL
);
CREATE INDEX heat_store_by_holding ON heat_store (holding_id);

CREATE TABLE probe (
  id              uuid PRIMARY KEY,
  holding_id      uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  heat_store_id   uuid REFERENCES heat_store ON DELETE CASCADE, -- absent: in a house's air or outdoors
  greenhouse_id   uuid REFERENCES greenhouse ON DELETE CASCADE,
  kind            text NOT NULL CONSTRAINT probe_kind CHECK (kind IN ('STORE', 'AIR', 'OUTDOOR')),
  name            text NOT NULL CONSTRAINT probe_name_length CHECK (length(name) BETWEEN 1 AND 100),
  radius_fraction double precision NOT NULL CONSTRAINT probe_radius CHECK (radius_fraction BETWEEN 0 AND 1),
  height_fraction double precision NOT NULL CONSTRAINT probe_height CHECK (height_fraction BETWEEN 0 AND 1),
  rank            integer NOT NULL DEFAULT 0,
  CONSTRAINT probe_of_store_has_store CHECK (kind <> 'STORE' OR heat_store_id IS NOT NULL)
);
CREATE INDEX probe_by_holding ON probe (holding_id);
CREATE INDEX probe_by_store ON probe (heat_store_id);

CREATE TABLE import_file (
  id          uuid PRIMARY KEY,
  holding_id  uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  store_id    uuid NOT NULL REFERENCES heat_store ON DELETE CASCADE,
  file_name   text NOT NULL,
  bytes       bigint NOT NULL,
  state       text NOT NULL CONSTRAINT import_file_state
              CHECK (state IN ('UPLOADED', 'RUNNING', 'DONE', 'FAILED', 'STOPPED')),
  mapping     jsonb NOT NULL,
  rows_read   bigint NOT NULL DEFAULT 0,
  readings    bigint NOT NULL DEFAULT 0,
  added       bigint NOT NULL DEFAULT 0,
  left_out    bigint NOT NULL DEFAULT 0,
  from_at     timestamptz,
  to_at       timestamptz,
  problem     text NOT NULL DEFAULT '',
  created_at  timestamptz NOT NULL
);
CREATE INDEX import_file_by_store ON import_file (holding_id, store_id, created_at DESC);

CREATE TABLE import_left_out (
  import_id uuid NOT NULL REFERENCES import_file ON DELETE CASCADE,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  line      bigint NOT NULL,
  part      integer NOT NULL,
  reason    text NOT NULL,
  cell      text NOT NULL,
  PRIMARY KEY (import_id, line, part)
);

CREATE TABLE logger_mapping (
  holding_id  uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  store_id    uuid NOT NULL REFERENCES heat_store ON DELETE CASCADE,
  fingerprint text NOT NULL, -- of the heading and dialect, so that the same logger is known again
  mapping     jsonb NOT NULL,
  updated_at  timestamptz NOT NULL,
  PRIMARY KEY (holding_id, store_id, fingerprint)
);

-- One reading a probe and moment: a file read twice, or a request sent twice, adds nothing.
CREATE TABLE reading (
  probe_id   uuid NOT NULL,
  at         timestamptz NOT NULL,
  holding_id uuid NOT NULL,
  celsius    double precision NOT NULL,
  import_id  uuid, -- absent: typed by hand
  CONSTRAINT reading_key PRIMARY KEY (probe_id, at)
) PARTITION BY RANGE (at);

CREATE FUNCTION ensure_reading_month(month_of timestamptz) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  first_day timestamptz := date_trunc('month', month_of AT TIME ZONE 'UTC') AT TIME ZONE 'UTC';
  next_month timestamptz := (date_trunc('month', month_of AT TIME ZONE 'UTC') + interval '1 month') AT TIME ZONE 'UTC';
  part text := 'reading_' || to_char(first_day AT TIME ZONE 'UTC', 'YYYY_MM');
BEGIN
  IF to_regclass(part) IS NULL THEN
    PERFORM pg_advisory_xact_lock(hashtext('reading_partitions'));
    IF to_regclass(part) IS NULL THEN
      EXECUTE format('CREATE TABLE %I PARTITION OF reading FOR VALUES FROM (%L) TO (%L)', part, first_day, next_month);
    END IF;
  END IF;
END $$;

CREATE TABLE run (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  store_id   uuid NOT NULL REFERENCES heat_store ON DELETE CASCADE,
  name       text NOT NULL CONSTRAINT run_name_length CHECK (length(name) BETWEEN 1 AND 200),
  from_at    timestamptz NOT NULL,
  to_at      timestamptz NOT NULL,
  import_id  uuid REFERENCES import_file ON DELETE SET NULL, -- absent: marked by hand
  CONSTRAINT run_runs_forward CHECK (from_at < to_at)
);
CREATE INDEX run_by_store ON run (holding_id, store_id, from_at DESC);

CREATE TABLE event (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  store_id   uuid REFERENCES heat_store ON DELETE SET NULL, -- absent: the house or the whole holding
  kind       text NOT NULL CONSTRAINT event_kind CHECK (kind IN ('FIRE_LIT', 'FUEL_ADDED', 'LID', 'DOOR', 'VENT',
             'PUMP', 'ELEMENT', 'HEAP', 'WATER', 'REPAIR', 'SEEN', 'NOTE')),
  at         timestamptz NOT NULL,
  note       text NOT NULL DEFAULT '' CONSTRAINT event_note_length CHECK (length(note) <= 2000)
);
CREATE INDEX event_by_holding ON event (holding_id, at DESC);
