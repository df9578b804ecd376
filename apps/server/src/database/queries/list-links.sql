SELECT substr(hash, 1, 12) AS mark, made_by, made_at, until FROM link WHERE job_id = ? ORDER BY made_at DESC;
