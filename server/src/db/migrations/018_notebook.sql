-- The notebook: trials, planned ahead or put together afterwards.

-- What was said of one trial; the last word that stands counts, one without words takes it out of the notebook, and what a batch that is begun for a side adds is a word too.
CREATE TABLE trial_word (
  id TEXT PRIMARY KEY,
  trial_id TEXT NOT NULL,
  told TEXT CHECK (told IS NULL OR json_valid(told)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX trial_word_by_trial ON trial_word (trial_id);

CREATE TRIGGER trial_word_stays BEFORE UPDATE ON trial_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER trial_word_kept BEFORE DELETE ON trial_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
