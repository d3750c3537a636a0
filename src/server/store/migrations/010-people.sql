-- Those who can sign in. A role holds for all jobs; a guest has single jobs alone. Who has left keeps a row, since the log names people.
CREATE TABLE person (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  email TEXT NOT NULL UNIQUE COLLATE NOCASE,
  -- Argon2id, as its standard string with salt and costs.
  password TEXT NOT NULL,
  role TEXT NOT NULL CHECK (role IN ('owner', 'editor', 'reader', 'guest')),
  made_at TEXT NOT NULL,
  left_at TEXT
) STRICT;

CREATE TABLE job_grant (
  person TEXT NOT NULL REFERENCES person (id),
  job TEXT NOT NULL REFERENCES job (id),
  may TEXT NOT NULL CHECK (may IN ('edit', 'read')),
  PRIMARY KEY (person, job)
) STRICT, WITHOUT ROWID;

-- Only hashes of tokens are kept: who reads the database cannot sign in by it.
CREATE TABLE session (
  hash TEXT PRIMARY KEY,
  id TEXT NOT NULL UNIQUE,
  person TEXT NOT NULL REFERENCES person (id),
  begun_at TEXT NOT NULL,
  seen_at TEXT NOT NULL,
  device TEXT NOT NULL,
  address TEXT NOT NULL
) STRICT;
CREATE INDEX session_by_person ON session (person);

-- Links that let somebody in once: to sign in, to set a new password, or to join.
CREATE TABLE pass (
  hash TEXT PRIMARY KEY,
  id TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('sign-in', 'recovery', 'invitation')),
  person TEXT REFERENCES person (id),
  email TEXT,
  role TEXT,
  job TEXT,
  may TEXT,
  made_by TEXT REFERENCES person (id),
  made_at TEXT NOT NULL,
  until TEXT NOT NULL,
  used_at TEXT
) STRICT;

-- Guesses that failed, by account and by address, so that each further one is slower.
CREATE TABLE guess (
  about TEXT PRIMARY KEY,
  failed INTEGER NOT NULL,
  at TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE passkey (
  id TEXT PRIMARY KEY,
  person TEXT NOT NULL REFERENCES person (id),
  public_key BLOB NOT NULL,
  counter INTEGER NOT NULL,
  transports TEXT NOT NULL,
  name TEXT NOT NULL,
  made_at TEXT NOT NULL,
  used_at TEXT
) STRICT;

-- What was asked of a browser for a passkey; answered once, and soon.
CREATE TABLE challenge (
  challenge TEXT PRIMARY KEY,
  person TEXT,
  until TEXT NOT NULL
) STRICT, WITHOUT ROWID;

-- Sign-ins, publications, changes of secrets and of people; nothing of it is ever changed.
CREATE TABLE audit (
  number INTEGER PRIMARY KEY AUTOINCREMENT,
  at TEXT NOT NULL,
  person TEXT,
  what TEXT NOT NULL,
  about TEXT NOT NULL,
  address TEXT NOT NULL
) STRICT;
CREATE TRIGGER audit_stands BEFORE UPDATE ON audit BEGIN SELECT RAISE(ABORT, 'the audit list is append-only'); END;
CREATE TRIGGER audit_stays BEFORE DELETE ON audit BEGIN SELECT RAISE(ABORT, 'the audit list is append-only'); END;
