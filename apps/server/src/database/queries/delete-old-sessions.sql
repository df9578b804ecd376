DELETE FROM session WHERE created_at < @oldest OR seen_at < @idle;
