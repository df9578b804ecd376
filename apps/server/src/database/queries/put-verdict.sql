INSERT INTO verdict (job_id, version, edition, state, good_for, verdict, judged_at)
VALUES (@id, @version, @edition, @state, @goodFor, @verdict, @now)
ON CONFLICT (job_id, version) DO UPDATE SET
  edition = @edition, state = @state, good_for = @goodFor, verdict = @verdict, judged_at = @now;
