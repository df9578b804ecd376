UPDATE person SET failed = @failed, locked_until = @until WHERE initials = @initials;
