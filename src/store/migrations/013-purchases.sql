-- Who sells, by the address their program answers at, and what they told last.
CREATE TABLE supplier (
  id      INTEGER PRIMARY KEY,
  address TEXT    NOT NULL UNIQUE,
  -- Null until it has told one.
  list    TEXT    CHECK (json_valid(list)),
  told_at TEXT,
  -- Why the last try brought nothing.
  problem TEXT,
  gone_at TEXT
) STRICT;

-- What a pack of a thing cost from when on: a row each time it changes, never written over. Supplier 0 is the catalogue. Coins.
CREATE TABLE price (
  supplier_id INTEGER NOT NULL,
  thing       TEXT    NOT NULL,
  pack        REAL    NOT NULL,
  price       INTEGER NOT NULL,
  currency    TEXT    NOT NULL DEFAULT '',
  at          TEXT    NOT NULL
) STRICT;
CREATE INDEX price_of ON price (thing, supplier_id, pack, at);

-- Orders to suppliers, each with all that became of it.
CREATE TABLE purchase (
  id       INTEGER PRIMARY KEY,
  -- The supplier does an order once by this; the page that draws one up makes it.
  key      TEXT    NOT NULL UNIQUE,
  data     TEXT    NOT NULL CHECK (json_valid(data)),
  -- False when nothing more can come of it.
  open     INTEGER NOT NULL,
  revision INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE INDEX purchase_open ON purchase (id) WHERE open;

-- Where a job stands says now what it has to have bought: worked out anew.
DELETE FROM standing;
