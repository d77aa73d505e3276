-- All a job says beside what lists are sorted by, its lines and its stock, as one document: what is new in a job needs no column.
ALTER TABLE job ADD COLUMN data TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(data));
UPDATE job SET data = json_object('workshop', json(workshop), 'standards', json(standards), 'pinned', json(pinned), 'hives', json(hives), 'designs', json(designs));
ALTER TABLE job DROP COLUMN workshop;
ALTER TABLE job DROP COLUMN standards;
ALTER TABLE job DROP COLUMN pinned;
ALTER TABLE job DROP COLUMN hives;
ALTER TABLE job DROP COLUMN designs;
