-- What a store gave to the house's air in each ten minutes of a judged day, W: a house is learned from its nights by it.
ALTER TABLE ledger_day ADD COLUMN to_house double precision[];
ALTER TABLE ledger_day ADD COLUMN judged_to timestamptz; -- of its last reading
ALTER TABLE ledger_day ADD COLUMN judging uuid;          -- who judges it just now
ALTER TABLE ledger_day ADD COLUMN stale_since timestamptz; -- when readings began to come after its last
-- Days judged before have none of these; they are judged again.
DELETE FROM ledger_day;

-- A reading between those that a day was judged with takes it back; one after them makes it old. Air and outdoors concern every store of the
-- holding, other thermometers their own. Days begin at noon somewhere between 12 hours west and 14 hours east.
CREATE OR REPLACE FUNCTION forget_ledger_days() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  WITH touched AS (
    SELECT CASE WHEN p.kind IN ('AIR', 'OUTDOOR') THEN NULL ELSE p.heat_store_id END AS store_id,
           a.holding_id, min(a.first) AS first, max(a.last) AS last
      FROM (SELECT probe_id, holding_id, min(at) AS first, max(at) AS last FROM added GROUP BY probe_id, holding_id) a
      JOIN probe p ON p.id = a.probe_id
     GROUP BY 1, 2),
  days AS (
    SELECT d.store_id, d.evening, bool_or(d.judged_to IS NULL OR t.first < d.judged_to) AS late
      FROM ledger_day d
      JOIN touched t ON t.holding_id = d.holding_id AND (t.store_id IS NULL OR t.store_id = d.store_id)
     WHERE d.evening BETWEEN (t.first - interval '26 hours')::date AND (t.last + interval '2 hours')::date
     GROUP BY 1, 2),
  gone AS (
    DELETE FROM ledger_day d USING days x WHERE x.late AND d.store_id = x.store_id AND d.evening = x.evening)
  UPDATE ledger_day d SET stale_since = coalesce(d.stale_since, now())
    FROM days x WHERE NOT x.late AND d.store_id = x.store_id AND d.evening = x.evening;
  RETURN NULL;
END $$;

-- Water or air on its way into a store and on its way out: the difference tells power and direction.
ALTER TABLE probe DROP CONSTRAINT probe_kind;
ALTER TABLE probe ADD CONSTRAINT probe_kind
  CHECK (kind IN ('STORE', 'AIR', 'OUTDOOR', 'SURFACE', 'INLET', 'OUTLET'));
