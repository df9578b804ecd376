SELECT seq, prev, hash, received, entry FROM log WHERE job_id = :job AND id = :id;
