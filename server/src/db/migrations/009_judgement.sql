-- When a batch that was put into water is to be out of it.
ALTER TABLE batch ADD COLUMN soak_until_ms INTEGER;
-- The second of two steps: so many more seeds on a day, if fewer than so many have shown.
ALTER TABLE batch ADD COLUMN second_step TEXT CHECK (second_step IS NULL OR json_valid(second_step));
