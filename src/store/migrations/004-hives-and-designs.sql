-- Whole hives a maker builds lines from, and the job's own copies of designs of the maker's.
ALTER TABLE job ADD COLUMN hives TEXT NOT NULL DEFAULT '[]';
ALTER TABLE job ADD COLUMN designs TEXT NOT NULL DEFAULT '[]';

-- A maker's own designs: every mark of each stays, with why it was made and what was noticed in use.
CREATE TABLE own_design (
  id TEXT NOT NULL,
  mark INTEGER NOT NULL CHECK (mark > 0),
  data TEXT NOT NULL,
  why TEXT NOT NULL,
  made_at TEXT NOT NULL,
  PRIMARY KEY (id, mark)
) STRICT, WITHOUT ROWID;
CREATE TABLE design_note (
  id INTEGER PRIMARY KEY,
  design TEXT NOT NULL,
  mark INTEGER NOT NULL,
  text TEXT NOT NULL,
  noted_at TEXT NOT NULL,
  FOREIGN KEY (design, mark) REFERENCES own_design (id, mark) ON DELETE CASCADE
) STRICT;
