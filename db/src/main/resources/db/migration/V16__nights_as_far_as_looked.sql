-- A thermometer that keeps its lowest since it was last read, and a dish of water that did not freeze.
ALTER TABLE probe DROP CONSTRAINT probe_kind;
ALTER TABLE probe ADD CONSTRAINT probe_kind
  CHECK (kind IN ('STORE', 'AIR', 'OUTDOOR', 'SURFACE', 'INLET', 'OUTLET', 'LOWEST'));
ALTER TABLE event DROP CONSTRAINT event_kind;
ALTER TABLE event ADD CONSTRAINT event_kind CHECK (kind IN ('FIRE_LIT', 'FUEL_ADDED', 'LID', 'SCREEN', 'DOOR', 'VENT', 'DAMPER',
  'PUMP', 'ELEMENT', 'HEAP', 'WATER', 'REPAIR', 'ICE', 'NO_ICE', 'SEEN', 'NOTE'));
