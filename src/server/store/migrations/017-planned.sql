-- A publication that is to happen at a time: what is published was built when it was planned.
CREATE TABLE planned_publication (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  destination TEXT NOT NULL,
  release TEXT NOT NULL REFERENCES release (id),
  -- When, as UTC, and in which time zone that was said.
  at TEXT NOT NULL,
  zone TEXT NOT NULL,
  person TEXT NOT NULL,
  note TEXT NOT NULL,
  -- Why it did not happen when its time had come.
  fault TEXT
) STRICT;
CREATE INDEX planned_publication_by_time ON planned_publication (at);
