UPDATE job SET archived = @archived, updated_at = @now WHERE id = @id AND archived <> @archived;
