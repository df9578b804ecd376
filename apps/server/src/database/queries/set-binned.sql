UPDATE job SET binned_at = @binned WHERE id = @id AND (binned_at IS NULL) <> (@binned IS NULL);
