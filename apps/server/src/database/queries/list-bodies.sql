-- As far back as a whole one is at most.
SELECT version, packed, body FROM kept_version WHERE job_id = @id AND version <= @version ORDER BY version DESC LIMIT 33;
