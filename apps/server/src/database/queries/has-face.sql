SELECT 1 AS there FROM face WHERE job_id = @id AND version = @version AND edition = @edition;
