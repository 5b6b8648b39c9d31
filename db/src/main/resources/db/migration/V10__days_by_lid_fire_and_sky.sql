-- Days are judged with lids and fires as they were logged, under the sky that files told of, and a heap's with the four days before. What comes in
-- afterwards takes back the days that rest on it.
DROP TRIGGER event_pump_logged ON event;
DROP TRIGGER event_pump_removed ON event;
DROP FUNCTION forget_days_since_pump();

CREATE FUNCTION forget_days_since_event() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  touched event[] := ARRAY[]::event[];
  e event;
BEGIN
  IF TG_OP <> 'INSERT' THEN touched := touched || OLD; END IF;
  IF TG_OP <> 'DELETE' THEN touched := touched || NEW; END IF;
  FOREACH e IN ARRAY touched LOOP
    DELETE FROM ledger_day d
     WHERE d.holding_id = e.holding_id
       AND (e.store_id IS NULL OR d.store_id = e.store_id)
       AND d.evening >= (e.at - interval '26 hours')::date
       AND (e.kind = 'LID'
         OR e.kind IN ('FIRE_LIT', 'FUEL_ADDED') AND d.evening <= (e.at + interval '14 hours')::date
           AND EXISTS (SELECT FROM heat_store s WHERE s.id = d.store_id AND s.design->'source'->>'kind' = 'FIRE')
         OR e.kind = 'PUMP' AND EXISTS (SELECT FROM probe p WHERE p.heat_store_id = d.store_id AND p.kind = 'INLET'));
  END LOOP;
  RETURN NULL;
END $$;
CREATE TRIGGER event_forgets_ledger_days AFTER INSERT OR UPDATE OR DELETE ON event
  FOR EACH ROW EXECUTE FUNCTION forget_days_since_event();

CREATE FUNCTION forget_sunlit_days() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  DELETE FROM ledger_day d
   USING heat_store s,
         (SELECT holding_id, min(at) AS first, max(at) AS last FROM told WHERE source = 'FILE' GROUP BY holding_id) t
   WHERE s.holding_id = t.holding_id
     AND s.design->'source'->>'kind' = 'SUN'
     AND d.store_id = s.id
     AND d.evening BETWEEN (t.first - interval '28 hours')::date AND (t.last + interval '4 hours')::date;
  RETURN NULL;
END $$;
CREATE TRIGGER weather_told_forgets_days AFTER INSERT ON hourly_weather
  REFERENCING NEW TABLE AS told FOR EACH STATEMENT EXECUTE FUNCTION forget_sunlit_days();
CREATE TRIGGER weather_corrected_forgets_days AFTER UPDATE ON hourly_weather
  REFERENCING NEW TABLE AS told FOR EACH STATEMENT EXECUTE FUNCTION forget_sunlit_days();

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
      JOIN heat_store s ON s.id = d.store_id
      JOIN touched t ON t.holding_id = d.holding_id AND (t.store_id IS NULL OR t.store_id = d.store_id)
     WHERE d.evening BETWEEN (t.first - interval '26 hours')::date
           AND (t.last + CASE WHEN s.design->'source'->>'kind' = 'HEAP' THEN interval '98 hours' ELSE interval '2 hours' END)::date
     GROUP BY 1, 2),
  gone AS (
    DELETE FROM ledger_day d USING days x WHERE x.late AND d.store_id = x.store_id AND d.evening = x.evening)
  UPDATE ledger_day d SET stale_since = coalesce(d.stale_since, now())
    FROM days x WHERE NOT x.late AND d.store_id = x.store_id AND d.evening = x.evening;
  RETURN NULL;
END $$;

-- Lids and fires as they were logged count from now on: all days anew.
DELETE FROM ledger_day;
