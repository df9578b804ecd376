SELECT k.version, k.saved_at, k.who, k.did, v.verdict FROM kept_version k
LEFT JOIN verdict v ON v.job_id = k.job_id AND v.version = k.version
WHERE k.job_id = ? ORDER BY k.version DESC;
