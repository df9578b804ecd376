INSERT INTO face (job_id, version, edition, drawn, unreadable) VALUES (@id, @version, @edition, @drawn, @unreadable)
ON CONFLICT (job_id) DO UPDATE SET version = @version, edition = @edition, drawn = @drawn, unreadable = @unreadable
WHERE face.version <= @version;
