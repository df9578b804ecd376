INSERT INTO asks (job_id, version, lines, edition, tasks, next_on, by_use)
VALUES (@id, @version, @lines, @edition, @tasks, @nextOn, @byUse)
ON CONFLICT (job_id) DO UPDATE
SET version = @version, lines = @lines, edition = @edition, tasks = @tasks, next_on = @nextOn, by_use = @byUse;
