-- A logger without a token is heard over the broker.
ALTER TABLE device ALTER COLUMN token_hash DROP NOT NULL;

-- The one node that listens to the broker, until when, and what keeps it from hearing.
CREATE TABLE broker_listener (
  one      boolean PRIMARY KEY DEFAULT true CONSTRAINT broker_listener_one CHECK (one),
  node     uuid NOT NULL,
  until_at timestamptz NOT NULL,
  problem  text NOT NULL DEFAULT ''  -- empty: it hears
);

-- What has come lately over the broker, by topic and, where a message says several things, their names.
CREATE TABLE broker_arrival (
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  channel    text NOT NULL CONSTRAINT broker_arrival_channel CHECK (length(channel) BETWEEN 1 AND 200),
  said       text NOT NULL,
  celsius    double precision,       -- absent: it is no temperature
  at         timestamptz NOT NULL,
  PRIMARY KEY (holding_id, channel)
);
