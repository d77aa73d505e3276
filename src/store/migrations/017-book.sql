-- Pieces that were made, or came in, and are kept track of for as long as they last.
CREATE TABLE piece (
  id      INTEGER PRIMARY KEY,
  -- Capitals and figures of its mark; and of one the shop gave, what it was made from.
  mark    TEXT    NOT NULL DEFAULT '',
  code    TEXT,
  year    INTEGER,
  number  INTEGER,
  made_on TEXT    NOT NULL,
  job     INTEGER,
  -- When it was scrapped, and for what: read again from what happened whenever something does.
  ended_on  TEXT,
  ended_why TEXT,
  -- Asked again because the answer was lost it is made once.
  key     TEXT    NOT NULL UNIQUE,
  data    TEXT    NOT NULL CHECK (json_valid(data))
) STRICT;
CREATE INDEX piece_mark ON piece (mark);
CREATE UNIQUE INDEX piece_given ON piece (code, year, number) WHERE code IS NOT NULL;
CREATE INDEX piece_job ON piece (job) WHERE job IS NOT NULL;

-- What happened to a piece: nothing is ever changed, each happened once, by its id.
CREATE TABLE happening (
  id     TEXT    PRIMARY KEY,
  piece  INTEGER NOT NULL REFERENCES piece (id),
  on_day TEXT    NOT NULL,
  what   TEXT    NOT NULL CHECK (json_valid(what))
) STRICT, WITHOUT ROWID;
CREATE INDEX happening_piece ON happening (piece);

-- All words a piece is found by; its row is the piece's.
CREATE VIRTUAL TABLE piece_words USING fts5 (words, prefix = '2 3 4');
