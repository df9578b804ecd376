DELETE FROM person WHERE initials = ?;
