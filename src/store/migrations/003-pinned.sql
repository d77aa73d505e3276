-- Layouts a maker keeps as they are.
ALTER TABLE job ADD COLUMN pinned TEXT NOT NULL DEFAULT '[]';
