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

-- What was said of one note; the last word that stands counts, one without words takes it out.
CREATE TABLE note_word (
  id TEXT PRIMARY KEY,
  note_id TEXT NOT NULL,
  told TEXT CHECK (told IS NULL OR json_valid(told)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX note_word_by_note ON note_word (note_id);

-- A photograph that stands by a note; its bytes are a file, as a look's are.
CREATE TABLE note_photo (
  id TEXT PRIMARY KEY,
  note_id TEXT NOT NULL,
  type TEXT NOT NULL,
  content TEXT NOT NULL CHECK (length(content) = 64),
  size INTEGER NOT NULL CHECK (size > 0),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX note_photo_by_note ON note_photo (note_id);
CREATE INDEX entry_with_note ON entry (at_ms) WHERE note IS NOT NULL;

CREATE TRIGGER note_word_stays BEFORE UPDATE ON note_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER note_word_kept BEFORE DELETE ON note_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER note_photo_stays BEFORE UPDATE ON note_photo BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER note_photo_kept BEFORE DELETE ON note_photo BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
