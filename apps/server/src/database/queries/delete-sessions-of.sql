DELETE FROM session WHERE initials = ?;
