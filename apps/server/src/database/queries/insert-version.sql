INSERT INTO job_version (job_id, version, document, saved_at) SELECT id, version, document, updated_at FROM job WHERE id = ?;
