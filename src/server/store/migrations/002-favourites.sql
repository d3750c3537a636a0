-- Templates that the designer marked; for all jobs, since it is the designer's taste.
CREATE TABLE favourite (
  template TEXT PRIMARY KEY,
  at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
