SELECT version, printed_at FROM packet WHERE job_id = ?;
