-- Stacks of wood as they were split or weighed; what fires took since and how it dried is reckoned.
CREATE TABLE wood_stack (
  id          uuid PRIMARY KEY,
  holding_id  uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  name        text NOT NULL CONSTRAINT wood_stack_name CHECK (length(name) BETWEEN 1 AND 100),
  kilograms   double precision NOT NULL CONSTRAINT wood_stack_kilograms CHECK (kilograms BETWEEN 0 AND 200000),
  thickness_m double precision NOT NULL CONSTRAINT wood_stack_thickness CHECK (thickness_m BETWEEN 0.005 AND 0.6),
  cover       text NOT NULL,
  moisture    double precision CONSTRAINT wood_stack_moisture CHECK (moisture BETWEEN 0 AND 0.65), -- of the whole mass; absent: green, not measured
  since       timestamptz NOT NULL
);
CREATE INDEX wood_stack_by_holding ON wood_stack (holding_id);

-- What comes round, by whichever of its intervals is over first.
CREATE TABLE task (
  id           uuid PRIMARY KEY,
  holding_id   uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  usual        text,                                  -- which of the usual ones; absent: one's own
  what         text NOT NULL CONSTRAINT task_what CHECK (length(what) BETWEEN 1 AND 200),
  why          text NOT NULL DEFAULT '' CONSTRAINT task_why CHECK (length(why) <= 500),
  days         integer CONSTRAINT task_days CHECK (days BETWEEN 1 AND 3660),
  fires        integer CONSTRAINT task_fires CHECK (fires BETWEEN 1 AND 10000),
  kilograms    double precision CONSTRAINT task_kilograms CHECK (kilograms BETWEEN 1 AND 100000),
  month        integer CONSTRAINT task_month CHECK (month BETWEEN 1 AND 12),
  day_of_month integer CONSTRAINT task_day CHECK (day_of_month BETWEEN 1 AND 31),
  CONSTRAINT task_comes_round CHECK (num_nonnulls(days, fires, kilograms, month) > 0),
  CONSTRAINT task_whole_date CHECK ((month IS NULL) = (day_of_month IS NULL))
);
CREATE INDEX task_by_holding ON task (holding_id);
CREATE UNIQUE INDEX task_usual_once ON task (holding_id, usual) WHERE usual IS NOT NULL;

CREATE TABLE task_done (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  task_id    uuid NOT NULL REFERENCES task ON DELETE CASCADE,
  at         timestamptz NOT NULL,
  note       text NOT NULL DEFAULT '' CONSTRAINT task_done_note CHECK (length(note) <= 2000)
);
CREATE INDEX task_done_by_task ON task_done (task_id, at);
