-- Sources, circuits and heat pumps are things of their own: a store has any number, a house heaters of its own, one source may serve several.
CREATE TABLE plant_part (
  id            uuid PRIMARY KEY,
  holding_id    uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  greenhouse_id uuid REFERENCES greenhouse ON DELETE SET NULL, -- absent: it belongs to no house's place
  name          text NOT NULL CONSTRAINT plant_part_name_length CHECK (length(name) BETWEEN 1 AND 200),
  kind          text NOT NULL CONSTRAINT plant_part_kind CHECK (kind IN
                ('FIRE', 'FLAMES', 'HEATER', 'ELEMENT', 'SUNLIGHT', 'HEAP', 'CIRCUIT', 'HEAT_PUMP')),
  design        jsonb NOT NULL CONSTRAINT plant_part_is_what_it_says CHECK (design->>'kind' = kind),
  version       integer NOT NULL DEFAULT 1,
  updated_at    timestamptz NOT NULL
);
CREATE INDEX plant_part_by_holding ON plant_part (holding_id);

-- Stores that a part names, wherever it names them.
CREATE FUNCTION stores_of_part(design jsonb) RETURNS SETOF uuid LANGUAGE sql IMMUTABLE AS $$
  SELECT (x #>> '{}')::uuid FROM jsonb_path_query(design, '$.**.storeId ? (@ != null)') x
  UNION
  SELECT (h->>'id')::uuid FROM jsonb_path_query(design, '$.heats[*] ? (@.to == "STORE")') h
$$;

CREATE FUNCTION store_has_part(store heat_store, kind_of text) RETURNS boolean LANGUAGE sql STABLE AS $$
  SELECT EXISTS (SELECT FROM plant_part p
                  WHERE p.holding_id = store.holding_id AND p.kind = kind_of
                    AND store.id IN (SELECT stores_of_part(p.design)))
$$;

-- What stores' designs told of sources and circuits, as parts; holdings' files of earlier versions are read with it too.
CREATE FUNCTION parts_from_stores(of_holding uuid) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  s heat_store;
  src jsonb;
  led jsonb;
  here jsonb;
  inside boolean;
  d jsonb;
  word text;
  by_hand jsonb := jsonb_build_object('runs', 'BY_HAND', 'from', null, 'to', null, 'guards', jsonb_build_array());
BEGIN
  FOR s IN SELECT * FROM heat_store h WHERE h.holding_id = of_holding AND h.design ? 'source' LOOP
    src := nullif(s.design->'source', 'null');
    led := nullif(s.design->'led', 'null');
    here := jsonb_build_array(jsonb_build_object('to', 'STORE', 'id', s.id, 'share', null));
    inside := s.design->'place'->>'where' = 'HOUSE';
    d := NULL;
    CASE coalesce(src->>'kind', 'NONE')
      WHEN 'ELEMENT' THEN
        word := 'Element';
        d := jsonb_build_object('kind', 'ELEMENT', 'heats', here, 'watts', src->'powerWatts',
          'surplus', coalesce((src->>'surplus')::boolean, false), 'indoors', inside,
          'control', jsonb_build_object('from', null, 'to', null,
            'runs', CASE WHEN coalesce((src->>'surplus')::boolean, false) THEN 'ALWAYS' ELSE 'BY_HAND' END,
            'guards', CASE WHEN src->>'thermostatCelsius' IS NULL THEN jsonb_build_array()
              ELSE jsonb_build_array(jsonb_build_object('kind', 'THERMOSTAT',
                'sensor', jsonb_build_object('where', 'STORE', 'id', s.id, 'radiusFraction', null, 'heightFraction', null),
                'onBelow', (src->>'thermostatCelsius')::double precision - 3, 'offAbove', src->'thermostatCelsius')) END));
      WHEN 'FIRE' THEN
        word := 'Fire';
        d := jsonb_build_object('kind', 'FIRE', 'hearth', src->'hearth', 'kilogramsPerHour', null, 'gasCelsius', null,
          'roomAir', false, 'usualKilograms', src->'woodKilograms', 'moisture', src->'woodMoisture', 'indoors', inside,
          'heats', CASE WHEN src->>'toStore' IS NOT NULL AND src->>'toRoom' IS NOT NULL
            THEN jsonb_build_array(jsonb_build_object('to', 'STORE', 'id', s.id, 'share', src->'toStore'),
                                   jsonb_build_object('to', 'HOUSE', 'id', null, 'share', src->'toRoom'))
            ELSE here || jsonb_build_array(jsonb_build_object('to', 'HOUSE', 'id', null, 'share', null)) END);
      WHEN 'FLAMES' THEN
        word := 'Flames';
        d := jsonb_build_object('kind', 'FLAMES', 'count', greatest(1, coalesce((src->>'flames')::integer, 1)),
          'gramsPerHour', coalesce((src->>'gramsPerHour')::double precision, 5), 'fuel', 'wax', 'indoors', inside, 'control', by_hand,
          'heats', jsonb_build_array(
            jsonb_build_object('to', 'STORE', 'id', s.id, 'share', coalesce((src->>'toStore')::double precision, 0.5)),
            jsonb_build_object('to', 'HOUSE', 'id', null, 'share', 1 - coalesce((src->>'toStore')::double precision, 0.5))));
      WHEN 'SUN' THEN
        word := 'Sun';
        d := jsonb_build_object('kind', 'SUNLIGHT', 'storeId', s.id, 'absorptance', src->'absorptance',
          'squareMetres', src->'sunlitSquareMetres');
      WHEN 'HEAP' THEN
        word := 'Rot';
        d := jsonb_build_object('kind', 'HEAP', 'storeId', s.id, 'fed', coalesce(
          (SELECT jsonb_agg(jsonb_build_object('feedstock', f->'feedstock', 'kilograms', f->'kilograms',
              'at', to_char((s.updated_at - (f->>'daysAgo')::double precision * interval '1 day') AT TIME ZONE 'UTC',
                            'YYYY-MM-DD"T"HH24:MI:SS"Z"')))
             FROM jsonb_array_elements(nullif(src->'feeds', 'null')) f), jsonb_build_array()));
      WHEN 'HEAT_PUMP' THEN
        word := 'Heat pump';
        d := jsonb_build_object('kind', 'HEAT_PUMP', 'watts', greatest(1, (src->>'powerWatts')::double precision),
          'cold', jsonb_build_object(
            'node', CASE WHEN src->>'coldStoreId' IS NOT NULL THEN 'STORE' WHEN src->>'coldCelsius' IS NOT NULL THEN 'HELD' ELSE 'OUTDOOR_AIR' END,
            'storeId', src->'coldStoreId', 'celsius', src->'coldCelsius'),
          'hot', jsonb_build_object('node', 'STORE', 'storeId', s.id, 'celsius', null),
          'coldestCelsius', null, 'hottestCelsius', src->'thermostatCelsius', 'control', by_hand);
      WHEN 'WATER_LOOP', 'WARM_AIR' THEN
        IF led->>'way' IS NOT NULL THEN
          word := 'Stream into';
          d := jsonb_build_object('kind', 'CIRCUIT', 'carries', led->'carrying', 'kilogramsPerSecond', led->'kilogramsPerSecond',
            'machineWatts', led->'machineWatts', 'control', by_hand,
            'ends', jsonb_build_array(
              jsonb_build_object('kind', 'HELD', 'celsius', coalesce((src->>'inletCelsius')::double precision, 55)),
              jsonb_build_object('kind', 'THROUGH', 'storeId', s.id)));
        END IF;
      ELSE NULL;
    END CASE;
    IF d IS NOT NULL THEN
      INSERT INTO plant_part (id, holding_id, greenhouse_id, name, kind, design, updated_at)
      VALUES (gen_random_uuid(), s.holding_id, s.greenhouse_id,
              left(word || CASE WHEN word = 'Stream into' THEN ' the ' ELSE ' of the ' END || lower(s.name), 200), d->>'kind', d, s.updated_at);
    END IF;
    IF led->>'way' IS NOT NULL AND (led->>'carrying' = 'AIR' OR (led->>'radiatorWattsPerKelvin')::double precision > 0) THEN
      d := jsonb_build_object('kind', 'CIRCUIT', 'carries', led->'carrying', 'kilogramsPerSecond', led->'kilogramsPerSecond',
        'machineWatts', led->'machineWatts', 'control', by_hand,
        'ends', jsonb_build_array(jsonb_build_object('kind', 'THROUGH', 'storeId', s.id),
          CASE WHEN led->>'carrying' = 'AIR' THEN jsonb_build_object('kind', 'HOUSE_AIR')
               ELSE jsonb_build_object('kind', 'RADIATOR', 'wattsPerKelvin', led->'radiatorWattsPerKelvin') END));
      INSERT INTO plant_part (id, holding_id, greenhouse_id, name, kind, design, updated_at)
      VALUES (gen_random_uuid(), s.holding_id, s.greenhouse_id,
              left(CASE WHEN led->>'carrying' = 'AIR' THEN 'Fan' ELSE 'Pump' END || ' of the ' || lower(s.name), 200), 'CIRCUIT', d, s.updated_at);
    END IF;
    UPDATE heat_store h
       SET design = (h.design - 'source')
         || jsonb_build_object('zone', CASE WHEN src IS NULL THEN 'null'::jsonb ELSE jsonb_build_object(
              'reachFraction', src->'reachFraction', 'lowFraction', src->'lowFraction', 'highFraction', src->'highFraction', 'behind', src->'behind') END)
         || CASE WHEN led IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('led', led - 'kilogramsPerSecond' - 'machineWatts' - 'radiatorWattsPerKelvin') END
     WHERE h.id = s.id;
  END LOOP;
END $$;

SELECT parts_from_stores(id) FROM holding;

-- Days rest on the parts of their stores too.
CREATE FUNCTION forget_days_of_part() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP <> 'INSERT' THEN
    DELETE FROM ledger_day WHERE store_id IN (SELECT stores_of_part(OLD.design));
  END IF;
  IF TG_OP <> 'DELETE' THEN
    DELETE FROM ledger_day WHERE store_id IN (SELECT stores_of_part(NEW.design));
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER part_forgets_ledger_days AFTER INSERT OR UPDATE OR DELETE ON plant_part
  FOR EACH ROW EXECUTE FUNCTION forget_days_of_part();

CREATE OR REPLACE FUNCTION forget_days_since_event() RETURNS trigger LANGUAGE plpgsql AS $$
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
           AND EXISTS (SELECT FROM heat_store s WHERE s.id = d.store_id AND store_has_part(s, 'FIRE'))
         OR e.kind = 'PUMP' AND EXISTS (SELECT FROM probe p WHERE p.heat_store_id = d.store_id AND p.kind = 'INLET'));
  END LOOP;
  RETURN NULL;
END $$;

CREATE OR REPLACE FUNCTION forget_sunlit_days() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  DELETE FROM ledger_day d
   USING heat_store s,
         (SELECT holding_id, min(at) AS first, max(at) AS last FROM told WHERE source = 'FILE' GROUP BY holding_id) t
   WHERE s.holding_id = t.holding_id
     AND store_has_part(s, 'SUNLIGHT')
     AND d.store_id = s.id
     AND d.evening BETWEEN (t.first - interval '28 hours')::date AND (t.last + interval '4 hours')::date;
  RETURN NULL;
END $$;

CREATE OR REPLACE FUNCTION forget_ledger_days() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  WITH touched AS (
    SELECT CASE WHEN p.kind IN ('AIR', 'OUTDOOR') THEN NULL ELSE p.heat_store_id END AS store_id,
           a.holding_id, min(a.first) AS first, max(a.last) AS last
      FROM (SELECT probe_id, holding_id, min(at) AS first, max(at) AS last FROM added GROUP BY probe_id, holding_id) a
      JOIN probe p ON p.id = a.probe_id
     GROUP BY 1, 2),
  heaps AS (
    SELECT s.id FROM heat_store s WHERE s.holding_id IN (SELECT holding_id FROM touched) AND store_has_part(s, 'HEAP')),
  days AS (
    SELECT d.store_id, d.evening, bool_or(d.judged_to IS NULL OR t.first < d.judged_to) AS late
      FROM ledger_day d
      JOIN touched t ON t.holding_id = d.holding_id AND (t.store_id IS NULL OR t.store_id = d.store_id)
     WHERE d.evening BETWEEN (t.first - interval '26 hours')::date
           AND (t.last + CASE WHEN d.store_id IN (SELECT id FROM heaps) THEN interval '98 hours' ELSE interval '2 hours' END)::date
     GROUP BY 1, 2),
  gone AS (
    DELETE FROM ledger_day d USING days x WHERE x.late AND d.store_id = x.store_id AND d.evening = x.evening)
  UPDATE ledger_day d SET stale_since = coalesce(d.stale_since, now())
    FROM days x WHERE NOT x.late AND d.store_id = x.store_id AND d.evening = x.evening;
  RETURN NULL;
END $$;
