-- The shop's yard: lots of things alike, and a ledger of everything that came and went. What is there is the sum of the ledger.
CREATE TABLE lot (
  id       INTEGER PRIMARY KEY,
  key      TEXT    NOT NULL UNIQUE,
  data     TEXT    NOT NULL CHECK (json_valid(data)),
  -- Hundredths: boards are whole, areas of a roll of tape are not. Never below nothing.
  there    INTEGER NOT NULL DEFAULT 0 CHECK (there >= 0),
  -- The yard's revision when it last changed.
  revision INTEGER NOT NULL
) STRICT;
CREATE INDEX lot_by_revision ON lot (revision);
CREATE INDEX lot_there ON lot (id) WHERE there > 0;

CREATE TABLE movement (
  id     INTEGER PRIMARY KEY,
  lot_id INTEGER NOT NULL REFERENCES lot (id),
  why    TEXT    NOT NULL CHECK (why IN ('counted', 'received', 'cut', 'kept', 'used', 'spoiled', 'put right')),
  change INTEGER NOT NULL,
  -- The job it was for, also when that is gone.
  job_id INTEGER,
  -- The movement it takes back.
  of     INTEGER REFERENCES movement (id),
  at     TEXT    NOT NULL
) STRICT;
CREATE INDEX movement_by_lot ON movement (lot_id, id);
CREATE TRIGGER movement_is_kept BEFORE UPDATE ON movement BEGIN SELECT RAISE(ABORT, 'the ledger is never changed'); END;
CREATE TRIGGER movement_stays BEFORE DELETE ON movement BEGIN SELECT RAISE(ABORT, 'the ledger is never changed'); END;
CREATE TRIGGER movement_counts AFTER INSERT ON movement BEGIN
  UPDATE lot SET there = there + new.change WHERE id = new.lot_id;
END;

-- What of a lot is kept for a job.
CREATE TABLE reserved (
  job_id INTEGER NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  lot_id INTEGER NOT NULL REFERENCES lot (id),
  count  INTEGER NOT NULL CHECK (count > 0),
  PRIMARY KEY (job_id, lot_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX reserved_by_lot ON reserved (lot_id);

CREATE TABLE yard (
  id       INTEGER PRIMARY KEY CHECK (id = 1),
  revision INTEGER NOT NULL DEFAULT 0
) STRICT;
INSERT INTO yard (id) VALUES (1);

-- What can usually be bought.
CREATE TABLE catalogue (
  id       INTEGER PRIMARY KEY CHECK (id = 1),
  data     TEXT    NOT NULL CHECK (json_valid(data)),
  revision INTEGER NOT NULL DEFAULT 0
) STRICT;
INSERT INTO catalogue (id, data) VALUES (1, '[]');

-- Jobs that had stock of their own go on with that alone.
UPDATE job SET data = json_set(data, '$.alone', json('true')) WHERE EXISTS (SELECT 1 FROM job_stock WHERE job_id = job.id);
