-- A walk past the probes. Every entry has an id made by whoever typed it: sent twice it is the same.
CREATE TABLE reading_round (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  person_id  uuid REFERENCES person ON DELETE SET NULL, -- absent: the person has left
  started_at timestamptz NOT NULL,
  ended_at   timestamptz, -- absent: still walking, or never ended
  note       text NOT NULL DEFAULT '' CONSTRAINT reading_round_note CHECK (length(note) <= 2000),
  seq        bigint GENERATED ALWAYS AS IDENTITY -- order of arrival, for rounds of the same moment
);
CREATE INDEX reading_round_by_holding ON reading_round (holding_id, started_at DESC);

CREATE TABLE round_entry (
  id         uuid PRIMARY KEY,
  round_id   uuid NOT NULL REFERENCES reading_round ON DELETE CASCADE,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  probe_id   uuid NOT NULL,
  at         timestamptz NOT NULL,
  outcome    text NOT NULL CONSTRAINT round_entry_outcome CHECK (outcome IN ('READ', 'SKIPPED', 'OFF_SCALE', 'ICE')),
  typed      text NOT NULL DEFAULT '' CONSTRAINT round_entry_typed CHECK (length(typed) <= 40),
  celsius    double precision, -- absent unless READ
  note       text NOT NULL DEFAULT '' CONSTRAINT round_entry_note CHECK (length(note) <= 2000),
  seq        bigint GENERATED ALWAYS AS IDENTITY, -- order of arrival, for entries of the same moment
  CONSTRAINT round_entry_read_has_value CHECK ((outcome = 'READ') = (celsius IS NOT NULL))
);
CREATE INDEX round_entry_by_round ON round_entry (round_id, at);

-- The order in which a grower walks past the probes.
CREATE TABLE walk (
  holding_id uuid PRIMARY KEY REFERENCES holding ON DELETE CASCADE,
  probe_ids  uuid[] NOT NULL
);

CREATE TABLE photo (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  round_id   uuid, -- the round it was taken on; may arrive before it
  taken_at   timestamptz NOT NULL,
  kind       text NOT NULL CONSTRAINT photo_kind CHECK (kind IN ('image/jpeg', 'image/png')),
  bytes      bytea NOT NULL CONSTRAINT photo_size CHECK (length(bytes) <= 1500000)
);
CREATE INDEX photo_by_round ON photo (holding_id, round_id);

ALTER TABLE event ADD COLUMN amount double precision CONSTRAINT event_amount CHECK (amount >= 0 AND amount <= 100000); -- kg of fuel, feed or water; absent when nobody weighed
ALTER TABLE event ADD COLUMN moisture double precision CONSTRAINT event_moisture CHECK (moisture BETWEEN 0 AND 0.95); -- of the fuel, absent when unknown

-- A logger that sends by itself. Its token is shown once; only a hash is kept.
CREATE TABLE device (
  id           uuid PRIMARY KEY,
  holding_id   uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  name         text NOT NULL CONSTRAINT device_name_length CHECK (length(name) BETWEEN 1 AND 100),
  token_hash   text NOT NULL CONSTRAINT device_token_unique UNIQUE,
  created_at   timestamptz NOT NULL,
  revoked_at   timestamptz, -- absent: it may send
  last_seen_at timestamptz, -- absent: never
  last_problem text NOT NULL DEFAULT ''
);
CREATE INDEX device_by_holding ON device (holding_id);

CREATE TABLE device_channel (
  device_id  uuid NOT NULL REFERENCES device ON DELETE CASCADE,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  name       text NOT NULL CONSTRAINT device_channel_name CHECK (length(name) BETWEEN 1 AND 200),
  probe_id   uuid NOT NULL REFERENCES probe ON DELETE CASCADE,
  PRIMARY KEY (device_id, name)
);

ALTER TABLE event DROP CONSTRAINT event_kind;
ALTER TABLE event ADD CONSTRAINT event_kind CHECK (kind IN ('FIRE_LIT', 'FUEL_ADDED', 'LID', 'SCREEN', 'DOOR', 'VENT',
  'PUMP', 'ELEMENT', 'HEAP', 'WATER', 'REPAIR', 'SEEN', 'NOTE'));
