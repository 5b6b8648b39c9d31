-- Runs set beside each other to learn what one change did.
CREATE TABLE trial (
  id         uuid PRIMARY KEY,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  name       text NOT NULL CONSTRAINT trial_name_length CHECK (length(name) BETWEEN 1 AND 200), -- what was changed
  created_at timestamptz NOT NULL
);
CREATE INDEX trial_by_holding ON trial (holding_id, created_at DESC);

CREATE TABLE trial_run (
  trial_id   uuid NOT NULL REFERENCES trial ON DELETE CASCADE,
  run_id     uuid NOT NULL REFERENCES run ON DELETE CASCADE,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  side       text NOT NULL CONSTRAINT trial_run_side CHECK (length(side) BETWEEN 1 AND 100),
  place      integer NOT NULL, -- order on the sheet; the first is what the others are held against
  PRIMARY KEY (trial_id, run_id)
);

-- Readings that the grower believes although cleaning would set them aside.
CREATE TABLE believed_reading (
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  probe_id   uuid NOT NULL REFERENCES probe ON DELETE CASCADE,
  at         timestamptz NOT NULL,
  PRIMARY KEY (probe_id, at)
);
CREATE INDEX believed_reading_by_holding ON believed_reading (holding_id);

-- A store's ledger from noon to noon as it was judged; done again when a reading or the design of the store changes.
CREATE TABLE ledger_day (
  store_id      uuid NOT NULL REFERENCES heat_store ON DELETE CASCADE,
  holding_id    uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  evening       date NOT NULL, -- local day of the noon it begins at
  mark          text NOT NULL, -- of what it rests on
  readings      bigint NOT NULL,
  balance_start double precision, -- J; absent, as all figures, where too little was read
  balance_end   double precision,
  charged       double precision,
  delivered     double precision,
  early         double precision,
  lost          double precision,
  residual      double precision,
  PRIMARY KEY (store_id, evening)
);
CREATE INDEX ledger_day_by_holding ON ledger_day (holding_id, evening);

-- A reading that comes in late takes back what was judged without it. Parted by holding and span, so an import does it once a batch.
CREATE FUNCTION forget_ledger_days() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  DELETE FROM ledger_day d
   USING (SELECT holding_id, min(at) AS first, max(at) AS last FROM added GROUP BY holding_id) a
   WHERE d.holding_id = a.holding_id
     AND d.evening BETWEEN (a.first - interval '2 days')::date AND (a.last + interval '1 day')::date;
  RETURN NULL;
END $$;
CREATE TRIGGER reading_forgets_ledger_days AFTER INSERT ON reading
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION forget_ledger_days();

-- A run sheet as it was last judged, with a mark of all it rests on.
CREATE TABLE run_judgement (
  run_id     uuid PRIMARY KEY REFERENCES run ON DELETE CASCADE,
  holding_id uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  mark       text NOT NULL,
  sheet      jsonb NOT NULL
);
CREATE INDEX run_judgement_by_holding ON run_judgement (holding_id);

-- A spot on a store's surface, read by infrared or by touch: it says nothing of the inside.
ALTER TABLE probe DROP CONSTRAINT probe_kind;
ALTER TABLE probe ADD CONSTRAINT probe_kind CHECK (kind IN ('STORE', 'AIR', 'OUTDOOR', 'SURFACE'));
