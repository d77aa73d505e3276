-- What the first page says of each job: what is in it, whom it is for, where it stands; jobs put by, and jobs taken away for a while.
ALTER TABLE job ADD COLUMN what TEXT NOT NULL DEFAULT '';
ALTER TABLE job ADD COLUMN customer TEXT;
ALTER TABLE job ADD COLUMN archived_at TEXT;
ALTER TABLE job ADD COLUMN deleted_at TEXT;
CREATE INDEX job_open ON job (due) WHERE archived_at IS NULL AND deleted_at IS NULL;

CREATE TABLE standing (
  job_id  INTEGER PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
  -- The version of the job it was worked out from, and the day.
  version INTEGER NOT NULL,
  day     TEXT    NOT NULL,
  data    TEXT    NOT NULL CHECK (json_valid(data))
) STRICT;
