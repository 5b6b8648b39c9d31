-- Whoever came in by a link stays no longer than the link.
ALTER TABLE membership ADD COLUMN ends_at timestamptz; -- absent: for good

-- Links by which somebody without an account reads a holding for some days.
CREATE TABLE shown_link (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  person_id  uuid NOT NULL REFERENCES person ON DELETE CASCADE, -- made for it
  hash       text NOT NULL CONSTRAINT shown_link_hash UNIQUE,   -- SHA-256 of its code's signs, hex
  view       text NOT NULL CONSTRAINT shown_link_view CHECK (length(view) BETWEEN 1 AND 300),
  made_at    timestamptz NOT NULL,
  ends_at    timestamptz NOT NULL
);
CREATE INDEX shown_link_by_holding ON shown_link (holding_id);
CREATE INDEX shown_link_by_person ON shown_link (person_id);
