-- The season: what is wished for, frost as a station had it, and room under light.

-- What was said of one wish; the last word that stands counts, and one without words takes it off the list. A plan that
-- changes many is one act, taken back in one.
CREATE TABLE wish_word (
  id TEXT PRIMARY KEY,
  act_id TEXT NOT NULL,
  wish_id TEXT NOT NULL,
  year INTEGER NOT NULL,
  told TEXT CHECK (told IS NULL OR json_valid(told)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX wish_word_by_year ON wish_word (year, wish_id);
CREATE INDEX wish_word_by_act ON wish_word (act_id);

-- A station's nights as its file had them: the coldest of each day from the first on, tenths of a degree.
CREATE TABLE frost_record (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  first_day INTEGER NOT NULL,
  minima TEXT NOT NULL CHECK (json_valid(minima)),
  recorded_ms INTEGER NOT NULL
) STRICT;

-- What frost is counted by here; the last word that stands counts.
CREATE TABLE frost_word (
  id TEXT PRIMARY KEY,
  told TEXT NOT NULL CHECK (json_valid(told)),
  recorded_ms INTEGER NOT NULL
) STRICT;

-- Cells of 4 cm that a lit place has room for; nothing where it is as large as one likes.
CREATE TABLE room_word (
  id TEXT PRIMARY KEY,
  spot_id TEXT NOT NULL REFERENCES spot (id),
  cells INTEGER CHECK (cells > 0),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX room_word_by_spot ON room_word (spot_id);

CREATE TRIGGER wish_word_stays BEFORE UPDATE ON wish_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER wish_word_kept BEFORE DELETE ON wish_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER frost_record_stays BEFORE UPDATE ON frost_record BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER frost_record_kept BEFORE DELETE ON frost_record BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER frost_word_stays BEFORE UPDATE ON frost_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER frost_word_kept BEFORE DELETE ON frost_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER room_word_stays BEFORE UPDATE ON room_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
CREATE TRIGGER room_word_kept BEFORE DELETE ON room_word BEGIN SELECT RAISE(ABORT, 'the record is only added to'); END;
