SELECT version, saved_at FROM job_version WHERE job_id = ? ORDER BY version DESC;
