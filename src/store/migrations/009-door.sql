-- Who gets in where the program is open to others: one passphrase, and the sessions entered with it. Neither is kept as it is.
CREATE TABLE door (
  one      INTEGER PRIMARY KEY CHECK (one = 1),
  salt     BLOB    NOT NULL,
  hash     BLOB    NOT NULL,
  failures INTEGER NOT NULL DEFAULT 0,
  opens_at INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE TABLE session (
  id      INTEGER PRIMARY KEY,
  hash    BLOB    NOT NULL UNIQUE,
  what    TEXT    NOT NULL,
  entered INTEGER NOT NULL,
  seen    INTEGER NOT NULL
) STRICT;
