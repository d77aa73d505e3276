-- What happened at the bench: each once, by its id. What became of an operation is read from all of it.
CREATE TABLE bench (
  id   TEXT PRIMARY KEY,
  job  INTEGER NOT NULL,
  name TEXT    NOT NULL,
  at   INTEGER NOT NULL,
  what TEXT    NOT NULL CHECK (json_valid(what))
) STRICT, WITHOUT ROWID;
CREATE INDEX bench_job ON bench (job, name);
