SELECT version, lines, edition, tasks FROM asks WHERE job_id = ?;
