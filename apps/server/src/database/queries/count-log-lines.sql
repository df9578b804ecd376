SELECT count(*) AS lines FROM log WHERE job_id = ?;
