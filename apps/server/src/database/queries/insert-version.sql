INSERT INTO kept_version (job_id, version, saved_at, who, did, packed, body)
VALUES (@id, @version, @now, @who, @did, @packed, @body);
