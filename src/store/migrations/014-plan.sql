-- What has to be done in each job, for the plan of the whole shop; and the plans that stood or were put forward.
ALTER TABLE standing ADD COLUMN work TEXT CHECK (work IS NULL OR json_valid(work));
-- What is known of a job's work is worked out once more.
DELETE FROM standing;

CREATE TABLE plan (
  id       INTEGER PRIMARY KEY AUTOINCREMENT,
  made_at  TEXT NOT NULL,
  -- When somebody let it stand; the latest is the plan of the shop. NULL is put forward only.
  stood_at TEXT,
  -- What it was made from: jobs, people, wood. Another one wants another plan.
  facts    TEXT NOT NULL,
  data     TEXT NOT NULL CHECK (json_valid(data))
) STRICT;
CREATE INDEX plan_stood ON plan (stood_at) WHERE stood_at IS NOT NULL;
