DELETE FROM link WHERE job_id = @job AND substr(hash, 1, 12) = @mark;
