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

-- How each seedling stands, so that nothing reads through all that was ever said of twenty thousand: written in the transaction
-- that says something of it, made of that alone. left_as is null while it is in the nursery, else how it left.
CREATE TABLE seedling_now (
  cup_number INTEGER PRIMARY KEY REFERENCES cup (number),
  stage TEXT REFERENCES seedling_stage (code),
  left_as TEXT
) STRICT;
CREATE INDEX seedling_now_nursed ON seedling_now (cup_number) WHERE left_as IS NULL;
CREATE INDEX seedling_now_left ON seedling_now (left_as) WHERE left_as IS NOT NULL;
INSERT INTO seedling_now (cup_number, stage, left_as)
  SELECT number, stage, CASE WHEN gone IS NOT NULL THEN gone WHEN stage IN ('planted_out', 'ripe', 'harvested') THEN stage END FROM (
    SELECT c.number,
      (SELECT s.stage FROM seedling_event s WHERE s.cup_number = c.number AND s.kind = 'stage'
        AND NOT EXISTS (SELECT 1 FROM seedling_event u WHERE u.supersedes = s.id) ORDER BY s.at_ms DESC, s.rowid DESC LIMIT 1) AS stage,
      (SELECT s.kind FROM seedling_event s WHERE s.cup_number = c.number AND s.kind IN ('lost', 'given', 'composted')
        AND NOT EXISTS (SELECT 1 FROM seedling_event u WHERE u.supersedes = s.id) ORDER BY s.rowid DESC LIMIT 1) AS gone
    FROM cup c);

-- Which moves went into a slot or a bed, which batches were moved, and which tuck-ins were taken back, without reading every one.
CREATE INDEX move_by_destination ON move (destination);
CREATE INDEX move_into_bed ON move (bed_id) WHERE bed_id IS NOT NULL;
CREATE INDEX entry_untuck ON entry (batch_id) WHERE kind = 'untuck';
CREATE INDEX entry_moved ON entry (batch_id, at_ms) WHERE kind = 'move';
