SELECT j.id FROM job j LEFT JOIN asks a ON a.job_id = j.id
WHERE a.job_id IS NULL OR a.version < j.version OR a.edition <> ?
  OR a.lines < (SELECT count(*) FROM log WHERE log.job_id = j.id)
ORDER BY j.binned_at IS NOT NULL, j.archived, j.updated_at DESC;
