-- Jobs whose newest version this edition of the program has not judged; what hangs on the rack first, the newest first.
SELECT j.id, j.version FROM job j LEFT JOIN face f ON f.job_id = j.id
WHERE f.job_id IS NULL OR f.version < j.version OR f.edition <> ?
ORDER BY j.binned_at IS NOT NULL, j.archived, j.updated_at DESC;
