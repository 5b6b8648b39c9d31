-- What people changed: who, when, and how it was before and after, so that it can be taken back. One row a request, with all that went with it.
CREATE TABLE change (
  id         uuid PRIMARY KEY,
  seq        bigint GENERATED ALWAYS AS IDENTITY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  person_id  uuid NOT NULL REFERENCES person ON DELETE CASCADE,
  at         timestamptz NOT NULL,
  kind       text NOT NULL,          -- what it is told by: the last entry's kind, what became of it, its name, how many of its kind
  verb       text NOT NULL CONSTRAINT change_verb CHECK (verb IN ('MADE', 'CHANGED', 'REMOVED')),
  name       text NOT NULL,
  count      integer NOT NULL,
  was        double precision,       -- °C, of one reading alone
  became     double precision,
  entries    json NOT NULL,          -- kind, subject, name, before and after of each, in the order of their making
  undone_at  timestamptz
);
CREATE INDEX change_by_holding ON change (holding_id, seq DESC);
CREATE INDEX change_by_time ON change (at);

-- What was taken away can come back for thirty days.
ALTER TABLE greenhouse ADD COLUMN removed_at timestamptz;
ALTER TABLE heat_store ADD COLUMN removed_at timestamptz;
ALTER TABLE probe ADD COLUMN removed_at timestamptz;
