INSERT INTO link (hash, job_id, made_by, made_at, until) VALUES (@hash, @job, @by, @now, @until);
