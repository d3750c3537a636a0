-- A domain of a client's that the site of a job is found at on our host: what proves whose it is, and its certificate.
CREATE TABLE domain (
  name TEXT PRIMARY KEY,
  job TEXT NOT NULL UNIQUE REFERENCES job (id),
  -- The name with www, or without, that leads to it.
  other TEXT UNIQUE,
  proof TEXT NOT NULL,
  proved_at TEXT,
  -- Whether browsers are told to come by HTTPS alone.
  hsts INTEGER NOT NULL DEFAULT 0,
  -- PEM, and its key, sealed.
  chain TEXT,
  key BLOB,
  not_before TEXT,
  not_after TEXT,
  -- What an authority asks for that is shown by DNS, as JSON, until its certificate is there.
  asked TEXT,
  -- Why there is no newer certificate.
  fault TEXT,
  made_at TEXT NOT NULL
) STRICT;
-- Who we are at an authority.
CREATE TABLE authority_account (
  directory TEXT PRIMARY KEY,
  url TEXT NOT NULL,
  key BLOB NOT NULL
) STRICT;
