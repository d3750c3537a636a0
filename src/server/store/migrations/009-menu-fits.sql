-- From which width of the window a job's menu fits, as it was measured in a browser; by the name of all that decides it. NULL: from any.
CREATE TABLE menu_fit (
  job TEXT NOT NULL REFERENCES job (id),
  key TEXT NOT NULL,
  width INTEGER,
  PRIMARY KEY (job, key)
) STRICT, WITHOUT ROWID;
