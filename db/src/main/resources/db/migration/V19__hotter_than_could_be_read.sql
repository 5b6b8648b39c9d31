-- A store whose side hurt the hand, or that was hotter than its thermometer shows.
ALTER TABLE event DROP CONSTRAINT event_kind;
ALTER TABLE event ADD CONSTRAINT event_kind CHECK (kind IN ('FIRE_LIT', 'FUEL_ADDED', 'LID', 'SCREEN', 'DOOR', 'VENT', 'DAMPER',
  'PUMP', 'ELEMENT', 'HEAP', 'WATER', 'REPAIR', 'ICE', 'NO_ICE', 'TOO_HOT', 'OFF_SCALE', 'SEEN', 'NOTE'));
