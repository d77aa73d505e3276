-- Standards of the maker's own, and in each job those it uses, as they were when taken up.
CREATE TABLE own_standard (
  id         TEXT PRIMARY KEY,
  data       TEXT NOT NULL CHECK (json_valid(data)),
  changed_at TEXT NOT NULL
) STRICT;

ALTER TABLE job ADD COLUMN standards TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(standards));
