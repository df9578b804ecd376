INSERT INTO log (job_id, seq, id, prev, hash, received, entry) VALUES (:job, :seq, :id, :prev, :hash, :received, :entry);
