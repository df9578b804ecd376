SELECT seq, prev, hash, received, entry FROM log WHERE job_id = ? ORDER BY seq DESC LIMIT 1;
