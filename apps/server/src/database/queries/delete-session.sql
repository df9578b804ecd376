DELETE FROM session WHERE hash = ?;
