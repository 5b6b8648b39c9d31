-- Where a store stands is one thing instead of three ticks. Holdings' files of the first version are read with it too.
CREATE FUNCTION placed_design(design jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
    SELECT CASE WHEN design ? 'place' THEN design ELSE
        (design - 'indoors' - 'onGround' - 'buried')
        || jsonb_build_object('place', jsonb_build_object(
            'where', CASE WHEN (design->>'indoors')::boolean THEN 'HOUSE' ELSE 'OUTDOORS' END,
            'footing', CASE
                WHEN coalesce((design->>'buried')::boolean, false) THEN 'BURIED'
                WHEN (design->>'onGround')::boolean THEN 'ON_GROUND'
                ELSE 'RAISED' END)) END
$$;

UPDATE heat_store SET design = placed_design(design);

-- 8 °C was the program's own word for every place on earth; latitude and season say better.
UPDATE greenhouse
   SET design = jsonb_set(design, '{groundCelsius}', 'null')
 WHERE (design->>'groundCelsius')::double precision = 8;

-- Days were judged with another house; they are judged again behind the scenes.
DELETE FROM ledger_day;
