DELETE FROM job WHERE id = ? AND binned_at IS NOT NULL;
