CREATE TABLE job (
  id TEXT PRIMARY KEY,
  created_at TEXT NOT NULL,
  -- The host-name label the site is published under; no two jobs share one.
  address TEXT UNIQUE
) STRICT;

-- Every change ever made, in order. Nothing is updated or deleted here: undo is a further row.
CREATE TABLE edit (
  job TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL,
  row_id TEXT NOT NULL UNIQUE,
  edit TEXT NOT NULL,
  inverse TEXT NOT NULL,
  gesture TEXT NOT NULL,
  mark TEXT NOT NULL CHECK (mark IN ('do', 'undo', 'redo')),
  at TEXT NOT NULL,
  PRIMARY KEY (job, revision)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER edit_is_kept BEFORE UPDATE ON edit BEGIN SELECT RAISE(ABORT, 'the edit log is append-only'); END;
CREATE TRIGGER edit_stays BEFORE DELETE ON edit BEGIN SELECT RAISE(ABORT, 'the edit log is append-only'); END;

CREATE TABLE snapshot (
  job TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL,
  document TEXT NOT NULL,
  PRIMARY KEY (job, revision)
) STRICT, WITHOUT ROWID;

-- Pictures and logos the client sent; the file lies under its hash.
CREATE TABLE asset (
  id TEXT PRIMARY KEY,
  hash TEXT NOT NULL,
  name TEXT NOT NULL,
  type TEXT NOT NULL,
  width INTEGER NOT NULL,
  height INTEGER NOT NULL,
  bytes INTEGER NOT NULL,
  alpha INTEGER NOT NULL,
  focus_x REAL NOT NULL,
  focus_y REAL NOT NULL,
  added_at TEXT NOT NULL
) STRICT;

CREATE TABLE job_asset (
  job TEXT NOT NULL REFERENCES job (id),
  asset TEXT NOT NULL REFERENCES asset (id),
  PRIMARY KEY (job, asset)
) STRICT, WITHOUT ROWID;

CREATE TABLE release (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  -- Counts the releases that visitors have seen; null until the first switch.
  number INTEGER,
  revision INTEGER NOT NULL,
  address TEXT NOT NULL,
  manifest TEXT NOT NULL,
  built_at TEXT NOT NULL,
  -- When visitors were first, and last, switched to it; null until then.
  first_live_at TEXT,
  last_live_at TEXT,
  UNIQUE (job, number)
) STRICT;
