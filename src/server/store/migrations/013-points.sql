-- States of a job's site that somebody gave a name.
CREATE TABLE point (
  job TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL,
  name TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (job, revision)
) STRICT, WITHOUT ROWID;
