-- Pictures of pieces, made anew when they came in; named by what is in them, so that the same one is kept once.
CREATE TABLE photo (
  name TEXT PRIMARY KEY,
  data BLOB NOT NULL
) STRICT, WITHOUT ROWID;

-- What was ever found wrong with a piece, as [fault, day] each, and how often it was mended: read again whenever something happens to it.
ALTER TABLE piece ADD COLUMN found TEXT NOT NULL DEFAULT '[]';
ALTER TABLE piece ADD COLUMN repairs INTEGER NOT NULL DEFAULT 0;
UPDATE piece SET
  found = (
    SELECT json_group_array(json_array(fault.value, happening.on_day))
    FROM happening, json_each(happening.what, '$.faults') AS fault
    WHERE happening.piece = piece.id AND happening.what ->> 'do' = 'inspected'
  ),
  repairs = (SELECT count(*) FROM happening WHERE happening.piece = piece.id AND happening.what ->> 'do' = 'repaired');
CREATE INDEX piece_item ON piece (data ->> 'item');
