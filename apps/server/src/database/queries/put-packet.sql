INSERT INTO packet (job_id, version, printed_at) VALUES (@job, @version, @now)
ON CONFLICT (job_id) DO UPDATE SET version = @version, printed_at = @now;
