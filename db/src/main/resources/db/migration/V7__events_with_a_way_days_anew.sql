-- What was done has a way: a pump goes on or off, a door opens or shuts. Absent: nobody said which.
ALTER TABLE event ADD COLUMN way text;
ALTER TABLE event ADD CONSTRAINT event_way CHECK (
  way IS NULL
  OR kind IN ('LID', 'PUMP', 'ELEMENT') AND way IN ('ON', 'OFF')
  OR kind IN ('SCREEN', 'DOOR', 'VENT') AND way IN ('OPEN', 'SHUT'));

-- A pump that stood carried nothing, whatever its pipes read: days from its event on are judged again.
CREATE FUNCTION forget_days_since_pump() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  e event;
  since timestamptz;
BEGIN
  IF TG_OP = 'DELETE' THEN
    e := OLD;
  ELSE
    e := NEW;
  END IF;
  since := e.at;
  IF TG_OP = 'UPDATE' THEN
    since := least(since, OLD.at);
  END IF;
  DELETE FROM ledger_day d
   WHERE d.holding_id = e.holding_id
     AND (e.store_id IS NULL OR d.store_id = e.store_id)
     AND d.evening >= (since - interval '26 hours')::date
     AND EXISTS (SELECT FROM probe p WHERE p.heat_store_id = d.store_id AND p.kind = 'INLET');
  RETURN NULL;
END $$;
CREATE TRIGGER event_pump_logged AFTER INSERT OR UPDATE ON event
  FOR EACH ROW WHEN (NEW.kind = 'PUMP') EXECUTE FUNCTION forget_days_since_pump();
CREATE TRIGGER event_pump_removed AFTER DELETE ON event
  FOR EACH ROW WHEN (OLD.kind = 'PUMP') EXECUTE FUNCTION forget_days_since_pump();

-- The sun's deposits are told and a heap's days are judged with those before them: all days anew.
DELETE FROM ledger_day;
