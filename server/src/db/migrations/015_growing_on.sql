-- From pot to bed: several sprouts to a pot, and a file of soil temperatures taken back whole.

ALTER TABLE move ADD COLUMN per_pot INTEGER NOT NULL DEFAULT 1 CHECK (per_pot BETWEEN 1 AND 12);

-- Readings that one file brought are taken back in one act.
ALTER TABLE soil_reading ADD COLUMN act_id TEXT;
CREATE INDEX soil_reading_by_act ON soil_reading (act_id) WHERE act_id IS NOT NULL;

-- Who was planted out lately or into which bed, and who is in a slot, without reading what was said of every seedling.
CREATE INDEX seedling_event_out ON seedling_event (at_ms) WHERE stage = 'planted_out';
CREATE INDEX seedling_event_bedded ON seedling_event (cup_number) WHERE stage = 'planted_out' AND told IS NOT NULL;
CREATE INDEX seedling_event_slotted ON seedling_event (cup_number) WHERE kind = 'slotted';
CREATE INDEX seedling_event_potted ON seedling_event (cup_number) WHERE kind = 'potted';
