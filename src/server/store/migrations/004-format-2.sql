-- What was written in format 1 stays as it was; the log of today is made from it.
DROP TRIGGER edit_is_kept;
DROP TRIGGER edit_stays;
ALTER TABLE edit RENAME TO edit_format_1;
ALTER TABLE snapshot RENAME TO snapshot_format_1;

-- Every change ever made, in order. Nothing is updated or deleted here: undo is a further row.
CREATE TABLE log_row (
  job TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL,
  -- The name its screen gave it; one that is sent twice is written once.
  id TEXT NOT NULL,
  format INTEGER NOT NULL,
  -- Whose hand it was; null from before hands were told apart.
  who TEXT,
  gesture TEXT NOT NULL,
  -- The gesture that this one takes back.
  undoes TEXT,
  edit TEXT NOT NULL,
  inverse TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (job, revision),
  UNIQUE (job, id)
) STRICT;
CREATE INDEX log_row_by_gesture ON log_row (job, gesture);
CREATE INDEX log_row_by_undoes ON log_row (job, undoes) WHERE undoes IS NOT NULL;
CREATE TRIGGER log_row_is_kept BEFORE UPDATE ON log_row BEGIN SELECT RAISE(ABORT, 'the edit log is append-only'); END;
CREATE TRIGGER log_row_stays BEFORE DELETE ON log_row BEGIN SELECT RAISE(ABORT, 'the edit log is append-only'); END;

-- Documents as of a revision: what the log gives, kept so that it need not be replayed from its beginning.
CREATE TABLE snapshot (
  job TEXT NOT NULL REFERENCES job (id),
  revision INTEGER NOT NULL,
  format INTEGER NOT NULL,
  document TEXT NOT NULL,
  PRIMARY KEY (job, revision)
) STRICT, WITHOUT ROWID;

-- A job whose log of format 1 could not be brought up, with why; its rows are in edit_format_1.
CREATE TABLE not_upgraded (
  job TEXT PRIMARY KEY REFERENCES job (id),
  fault TEXT NOT NULL
) STRICT, WITHOUT ROWID;

-- What the list of jobs says of one, as of a revision and a state of the packs.
CREATE TABLE job_line (
  job TEXT PRIMARY KEY REFERENCES job (id),
  revision INTEGER NOT NULL,
  packs TEXT NOT NULL,
  name TEXT NOT NULL,
  trade TEXT NOT NULL,
  leftovers INTEGER NOT NULL,
  -- What the site wears and is not here, as a JSON list.
  missing TEXT NOT NULL
) STRICT, WITHOUT ROWID;
