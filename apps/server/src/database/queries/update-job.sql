UPDATE job SET version = version + 1, document = @document, updated_at = @now,
  name = @name, family = @family, customer = @customer, aboard = @aboard, note = @note, sha256 = @sha256
WHERE id = @id AND version = @version AND binned_at IS NULL;
