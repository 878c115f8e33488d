-- A gardener's own figures over a crop of the book, or a crop of their own laid on one.
-- Only what differs is kept, so that a better book reaches what was left alone.
-- Every saving is a version; the newest of a crop counts.
CREATE TABLE crop_version (
  id TEXT PRIMARY KEY,
  crop_id TEXT NOT NULL,
  -- The shipped crop it is laid on; equal to crop_id where it is that crop itself.
  book_id TEXT NOT NULL,
  -- Its name where it is a crop of one's own.
  name TEXT,
  figures TEXT NOT NULL CHECK (json_valid(figures)),
  removed INTEGER NOT NULL CHECK (removed IN (0, 1)),
  recorded_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX crop_version_by_crop ON crop_version (crop_id, recorded_ms);
