-- At which addresses visitors found which pages, by the revision of the release that was live; read from the log once and kept.
CREATE TABLE published_path (
  job TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL,
  path TEXT NOT NULL,
  page TEXT NOT NULL,
  PRIMARY KEY (job, revision, path)
) STRICT, WITHOUT ROWID;
