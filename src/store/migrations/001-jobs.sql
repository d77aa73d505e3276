-- Jobs with their lines and stock, and everything done to them so that it can be undone.
CREATE TABLE job (
  id         INTEGER PRIMARY KEY,
  name       TEXT    NOT NULL,
  units      TEXT    NOT NULL CHECK (units IN ('in', 'mm')),
  start      TEXT,
  due        TEXT,
  workshop   TEXT    NOT NULL CHECK (json_valid(workshop)),
  revision   INTEGER NOT NULL DEFAULT 0,
  changed_at TEXT    NOT NULL
) STRICT;

CREATE TABLE job_line (
  job_id   INTEGER NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  place    INTEGER NOT NULL,
  item     TEXT    NOT NULL,
  standard TEXT    NOT NULL,
  size     TEXT    NOT NULL,
  quantity INTEGER NOT NULL CHECK (quantity > 0),
  options  TEXT    NOT NULL CHECK (json_valid(options)),
  PRIMARY KEY (job_id, place)
) STRICT, WITHOUT ROWID;

CREATE TABLE job_stock (
  job_id INTEGER NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  place  INTEGER NOT NULL,
  entry  TEXT    NOT NULL CHECK (json_valid(entry)),
  PRIMARY KEY (job_id, place)
) STRICT, WITHOUT ROWID;

-- What was done, with the job as it was before; undoing takes the newest away.
CREATE TABLE job_act (
  id     INTEGER PRIMARY KEY,
  job_id INTEGER NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  what   TEXT    NOT NULL,
  before TEXT    NOT NULL CHECK (json_valid(before)),
  at     TEXT    NOT NULL
) STRICT;
CREATE INDEX job_act_by_job ON job_act (job_id, id);

-- What a gauge read on a piece, against what it should be. Lengths in nm.
CREATE TABLE measurement (
  id      INTEGER PRIMARY KEY,
  job_id  INTEGER NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  subject TEXT    NOT NULL,
  target  INTEGER NOT NULL,
  value   INTEGER NOT NULL,
  at      TEXT    NOT NULL
) STRICT;
CREATE INDEX measurement_by_job ON measurement (job_id, subject, id);
