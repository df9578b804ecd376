-- The newest 500 versions stay.
DELETE FROM job_version WHERE job_id = @id AND version <= (SELECT version FROM job WHERE id = @id) - 500;
