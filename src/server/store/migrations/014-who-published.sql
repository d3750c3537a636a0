-- Who put a release on its destination, and what they noted of it; nobody where that was before it was kept.
ALTER TABLE publication ADD COLUMN person TEXT;
ALTER TABLE publication ADD COLUMN note TEXT NOT NULL DEFAULT '';
