INSERT INTO asks (job_id, version, lines, edition, tasks) VALUES (@id, @version, @lines, @edition, @tasks)
ON CONFLICT (job_id) DO UPDATE SET version = @version, lines = @lines, edition = @edition, tasks = @tasks;
