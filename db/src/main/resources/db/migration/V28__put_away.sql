-- Remarks that somebody does not want to be told again.
CREATE TABLE put_away (
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  person_id  uuid NOT NULL REFERENCES person ON DELETE CASCADE,
  rule       text NOT NULL,
  subject    uuid NOT NULL,  -- a house, store or part
  PRIMARY KEY (holding_id, person_id, rule, subject)
);
CREATE INDEX put_away_by_person ON put_away (person_id);
