-- Finished compost that was taken out of a heap.
ALTER TABLE event DROP CONSTRAINT event_kind;
ALTER TABLE event ADD CONSTRAINT event_kind CHECK (kind IN ('FIRE_LIT', 'FUEL_ADDED', 'LID', 'SCREEN', 'DOOR', 'VENT', 'DAMPER',
  'PUMP', 'ELEMENT', 'HEAP', 'COMPOST_OUT', 'WATER', 'REPAIR', 'ICE', 'NO_ICE', 'TOO_HOT', 'OFF_SCALE', 'SEEN', 'NOTE'));
