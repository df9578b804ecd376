SELECT document FROM job_version WHERE job_id = ? AND version = ?;
