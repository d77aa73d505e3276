-- What was done to a job, by the key its page gave it: asked again it is answered, not done again; what was done on another screen
-- since a page was drawn up is held against what comes from it. An undo has no act.
CREATE TABLE job_done (
  job_id   INTEGER NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  key      TEXT    NOT NULL,
  revision INTEGER NOT NULL,
  act      TEXT CHECK (act IS NULL OR json_valid(act)),
  PRIMARY KEY (job_id, key)
) STRICT, WITHOUT ROWID;
CREATE INDEX job_done_by_revision ON job_done (job_id, revision);
