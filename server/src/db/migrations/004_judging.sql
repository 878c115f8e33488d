-- How the household moves, looks and judges; what it never said follows the usual.
ALTER TABLE household ADD COLUMN ways TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(ways));

-- What Today told somebody, by which version of the model; never an input of a forecast.
CREATE TABLE said (
  batch_id TEXT NOT NULL REFERENCES batch (id),
  at_ms INTEGER NOT NULL,
  model TEXT NOT NULL,
  verdict TEXT NOT NULL,
  next_ms INTEGER NOT NULL,
  lead TEXT NOT NULL,
  PRIMARY KEY (batch_id, at_ms)
) STRICT;
