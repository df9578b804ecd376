UPDATE person SET name = @name, role = @role WHERE initials = @initials;
