-- Nights that people practise: each is one draw of what a forecast leaves open, by its seed.
CREATE TABLE practice_night (
  id            uuid PRIMARY KEY,
  seq           bigint GENERATED ALWAYS AS IDENTITY,
  holding_id    uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  person_id     uuid NOT NULL REFERENCES person ON DELETE CASCADE,
  greenhouse_id uuid NOT NULL REFERENCES greenhouse ON DELETE CASCADE,
  begins_at     timestamptz NOT NULL,
  seed          bigint NOT NULL,
  question      jsonb NOT NULL,            -- all that was known in the evening
  said          jsonb NOT NULL,            -- the evening's forecast
  stated_c      double precision NOT NULL, -- coldest of the middle night, nothing done
  lived_s       double precision NOT NULL, -- of it so far
  doings        jsonb NOT NULL,
  ended         jsonb,                     -- as it was told at dawn; absent until it is over
  held          boolean,                   -- the same
  lowest_c      double precision
);
CREATE INDEX practice_night_by_person ON practice_night (person_id, seq);
CREATE INDEX practice_night_by_holding ON practice_night (holding_id);
