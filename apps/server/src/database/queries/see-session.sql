UPDATE session SET seen_at = @now WHERE hash = @hash;
