SELECT job_id, version, drawn FROM face WHERE job_id IN (SELECT value FROM json_each(?)) AND drawn IS NOT NULL;
