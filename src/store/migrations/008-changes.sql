-- What an act changed, as little as says it, beside its key: that is what taking back needs, not a whole job for each. What was done
-- before this can not be taken back any more.
ALTER TABLE job_done ADD COLUMN what TEXT;
ALTER TABLE job_done ADD COLUMN change TEXT CHECK (change IS NULL OR json_valid(change));
DROP TABLE job_act;
