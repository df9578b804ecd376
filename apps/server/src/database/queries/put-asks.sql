INSERT INTO asks (job_id, version, lines, edition, tasks, next_on) VALUES (@id, @version, @lines, @edition, @tasks, @nextOn)
ON CONFLICT (job_id) DO UPDATE SET version = @version, lines = @lines, edition = @edition, tasks = @tasks, next_on = @nextOn;
