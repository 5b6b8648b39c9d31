-- Tries to sign in that failed since the person was last told.
ALTER TABLE person
  ADD COLUMN in_vain    integer NOT NULL DEFAULT 0,
  ADD COLUMN in_vain_at timestamptz;

-- Codes of use once: a new password for a person, or the way into a holding.
CREATE TABLE person_code (
  hash       text PRIMARY KEY, -- SHA-256 of its signs, hex
  person_id  uuid REFERENCES person ON DELETE CASCADE,
  holding_id uuid REFERENCES holding ON DELETE CASCADE,
  role       text CONSTRAINT person_code_role CHECK (role IN ('KEEPER', 'HELPER', 'GUEST')),
  ends_at    timestamptz NOT NULL,
  CONSTRAINT person_code_for_one_thing CHECK ((person_id IS NULL) <> (holding_id IS NULL)),
  CONSTRAINT person_code_lets_in_as CHECK ((holding_id IS NULL) = (role IS NULL))
);
CREATE INDEX person_code_by_person ON person_code (person_id);
CREATE INDEX person_code_by_holding ON person_code (holding_id);
