-- Readings are part of their job, the newest first, so that they are kept, undone, seen elsewhere and carried off as all of it is.
UPDATE job SET data = json_set(data, '$.readings', json((
  SELECT json_group_array(json_object('subject', subject, 'target', target, 'value', value, 'at', at))
  FROM (SELECT * FROM measurement WHERE job_id = job.id ORDER BY id DESC LIMIT 500)
)));
DROP TABLE measurement;
