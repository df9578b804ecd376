SELECT s.created_at, s.seen_at, p.initials, p.name, p.role FROM session s JOIN person p USING (initials) WHERE s.hash = ?;
