-- One shop above all jobs, and one way to keep what is done to any thing: a job, the shop.
CREATE TABLE done (
  thing    TEXT    NOT NULL,
  key      TEXT    NOT NULL,
  revision INTEGER NOT NULL,
  act      TEXT CHECK (act IS NULL OR json_valid(act)),
  what     TEXT,
  change   TEXT CHECK (change IS NULL OR json_valid(change)),
  PRIMARY KEY (thing, key)
) STRICT, WITHOUT ROWID;
INSERT INTO done SELECT 'job ' || job_id, key, revision, act, what, change FROM job_done;
DROP TABLE job_done;
CREATE INDEX done_by_revision ON done (thing, revision);
CREATE TRIGGER job_is_gone AFTER DELETE ON job BEGIN
  DELETE FROM done WHERE thing = 'job ' || old.id;
END;

CREATE TABLE shop (
  id       INTEGER PRIMARY KEY CHECK (id = 1),
  data     TEXT    NOT NULL CHECK (json_valid(data)),
  revision INTEGER NOT NULL DEFAULT 0
) STRICT;
-- A shop of millimetres where most of its jobs are in them.
INSERT INTO shop (id, data)
  SELECT 1, json_object('units', CASE WHEN 2 * count(*) FILTER (WHERE units = 'mm') > count(*) THEN 'mm' ELSE 'in' END, 'workshop', json('{}')) FROM job;

-- What a job has as is usual it has from the shop now; what differs it does otherwise.
CREATE TEMP TABLE usual (name TEXT, value TEXT);
INSERT INTO usual
  SELECT name, CASE WHEN json_extract(shop.data, '$.units') = 'mm' THEN metric ELSE inches END
  FROM shop, (
    SELECT 'kerf' AS name, '3175000' AS inches, '3000000' AS metric
    UNION ALL SELECT 'endTrim', '6350000', '6000000'
    UNION ALL SELECT 'edgeTrim', '0', '0'
    UNION ALL SELECT 'sheetTrim', '0', '0'
    UNION ALL SELECT 'minHold', '228600000', '230000000'
    UNION ALL SELECT 'keepOffcut', '304800000', '300000000'
    UNION ALL SELECT 'sheetStages', '2', '2'
    UNION ALL SELECT 'weighing', '{"setUp":0,"offcut":0}', '{"setUp":0,"offcut":0}'
    UNION ALL SELECT 'panels', 'false', 'false'
    UNION ALL SELECT 'panelLoss', '3175000', '3000000'
    UNION ALL SELECT 'people', '1', '1'
    UNION ALL SELECT 'days', '[1,2,3,4,5]', '[1,2,3,4,5]'
    UNION ALL SELECT 'hours', '[[480,720],[750,990]]', '[[480,720],[750,990]]'
    UNION ALL SELECT 'glue', '175', '175'
  );
UPDATE job SET data = json_set(data, '$.workshop', json((
  SELECT json_group_object(w.key, json(job.data -> w.fullkey))
  FROM json_each(job.data, '$.workshop') AS w
  WHERE NOT EXISTS (SELECT 1 FROM usual WHERE usual.name = w.key AND usual.value = (job.data -> w.fullkey))
))) WHERE json_type(data, '$.workshop') = 'object';
DROP TABLE usual;
