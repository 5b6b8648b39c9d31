-- What a file brought can be taken out again as a whole; its readings wait here for thirty days.
CREATE TABLE reading_aside (
  import_id  uuid NOT NULL REFERENCES import_file ON DELETE CASCADE,
  probe_id   uuid NOT NULL,
  at         timestamptz NOT NULL,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  celsius    double precision NOT NULL,
  PRIMARY KEY (import_id, probe_id, at)
);
CREATE INDEX reading_aside_by_holding ON reading_aside (holding_id);

ALTER TABLE import_file ADD COLUMN asked_by uuid REFERENCES person ON DELETE SET NULL; -- to be read in
ALTER TABLE import_file ADD COLUMN taken_out_at timestamptz;
ALTER TABLE import_file DROP CONSTRAINT import_file_state;
ALTER TABLE import_file ADD CONSTRAINT import_file_state
  CHECK (state IN ('UPLOADED', 'RUNNING', 'DONE', 'FAILED', 'STOPPED', 'TAKEN_OUT'));

-- Rounds and photos that were taken away stay for thirty days.
ALTER TABLE reading_round ADD COLUMN removed_at timestamptz;
ALTER TABLE photo ADD COLUMN removed_at timestamptz;
