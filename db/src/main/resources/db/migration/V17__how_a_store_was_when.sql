-- How a store was before it was changed: each row until its moment, from that of the row before it. As it is now stands in heat_store and probe.
CREATE TABLE arrangement (
  heat_store_id uuid NOT NULL REFERENCES heat_store ON DELETE CASCADE,
  until         timestamptz NOT NULL,
  holding_id    uuid NOT NULL REFERENCES holding ON DELETE CASCADE,
  greenhouse_id uuid REFERENCES greenhouse ON DELETE SET NULL, -- absent: it stood in no house
  design        jsonb NOT NULL,
  probes        jsonb NOT NULL CONSTRAINT arrangement_probes_list CHECK (jsonb_typeof(probes) = 'array'), -- as they sat, by id
  PRIMARY KEY (heat_store_id, until)
);
CREATE INDEX arrangement_by_holding ON arrangement (holding_id);
