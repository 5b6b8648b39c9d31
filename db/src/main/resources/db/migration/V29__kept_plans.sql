-- Changes that somebody means to make, as they were told; whether they were made is set against the nights.
CREATE TABLE kept_plan (
  id            uuid PRIMARY KEY,
  holding_id    uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  greenhouse_id uuid NOT NULL REFERENCES greenhouse ON DELETE CASCADE,
  kind          text NOT NULL,
  subject       uuid,                          -- the store or part it is made to; absent: the house
  name          text NOT NULL CONSTRAINT kept_plan_name CHECK (length(name) <= 200), -- of that, as it was called
  amount        double precision NOT NULL,     -- in the kind's own measure
  told          jsonb NOT NULL,
  kept_at       timestamptz NOT NULL,
  done_on       date                           -- the first evening with it; absent: not made yet
);
CREATE INDEX kept_plan_by_holding ON kept_plan (holding_id);
CREATE UNIQUE INDEX kept_plan_once ON kept_plan (greenhouse_id, kind, coalesce(subject, greenhouse_id)) WHERE done_on IS NULL;
