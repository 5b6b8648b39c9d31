-- Which kinds of part there are is said by the code that reads them; that a row is what it says stays checked.
ALTER TABLE plant_part DROP CONSTRAINT plant_part_kind;
