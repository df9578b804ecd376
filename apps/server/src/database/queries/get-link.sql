SELECT job_id, until FROM link WHERE hash = ?;
