-- Readings hang in a table a year: a hundred at most, wherever they lie. One a month was planned ten times longer
-- for whoever had a row a month for decades.
ALTER TABLE reading RENAME TO reading_by_month;
ALTER TABLE reading_by_month RENAME CONSTRAINT reading_key TO reading_by_month_key;
CREATE TABLE reading (
  probe_id   uuid NOT NULL,
  at         timestamptz NOT NULL,
  holding_id uuid NOT NULL,
  celsius    double precision NOT NULL,
  import_id  uuid, -- absent: typed by hand
  CONSTRAINT reading_key PRIMARY KEY (probe_id, at)
) PARTITION BY RANGE (at);

-- A year is made beside the table and hung into it: nobody who writes or reads meanwhile has to wait.
CREATE FUNCTION ensure_reading_year(year_of integer) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  part text := 'reading_' || year_of;
BEGIN
  IF to_regclass(part) IS NULL THEN
    PERFORM pg_advisory_xact_lock(hashtext('reading_partitions'));
    IF to_regclass(part) IS NULL THEN
      EXECUTE format('CREATE TABLE %I (LIKE reading INCLUDING ALL)', part);
      EXECUTE format('ALTER TABLE reading ATTACH PARTITION %I FOR VALUES FROM (%L) TO (%L)', part,
        make_timestamptz(year_of, 1, 1, 0, 0, 0, 'UTC'), make_timestamptz(year_of + 1, 1, 1, 0, 0, 0, 'UTC'));
    END IF;
  END IF;
END $$;

SELECT ensure_reading_year(y)
  FROM (SELECT DISTINCT substring(inhrelid::regclass::text FROM 'reading_(\d{4})_\d\d')::integer
          FROM pg_inherits WHERE inhparent = 'reading_by_month'::regclass) AS months (y)
 WHERE y IS NOT NULL;
INSERT INTO reading (probe_id, at, holding_id, celsius, import_id)
SELECT probe_id, at, holding_id, celsius, import_id FROM reading_by_month;
DROP TABLE reading_by_month;
DROP FUNCTION ensure_reading_month(timestamptz);
