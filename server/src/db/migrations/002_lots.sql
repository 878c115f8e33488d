-- Seeds lost or given away without a tip: censored, not dead.
ALTER TABLE look ADD COLUMN lost INTEGER CHECK (lost >= 0);
-- On a towel the tip is seen; by other methods what comes up.
ALTER TABLE batch ADD COLUMN method TEXT NOT NULL DEFAULT 'towel'
  CHECK (method IN ('towel', 'water', 'plug', 'pod', 'pellet', 'pot', 'bed'));
