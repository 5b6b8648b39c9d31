-- What a store gave to the house's air in each ten minutes of a judged day, W: a house is learned from its nights by it.
ALTER TABLE ledger_day ADD COLUMN to_house double precision[];
-- Days judged before have none; they are judged again.
DELETE FROM ledger_day;

-- Water or air on its way into a store and on its way out: the difference tells power and direction.
ALTER TABLE probe DROP CONSTRAINT probe_kind;
ALTER TABLE probe ADD CONSTRAINT probe_kind
  CHECK (kind IN ('STORE', 'AIR', 'OUTDOOR', 'SURFACE', 'INLET', 'OUTLET'));
