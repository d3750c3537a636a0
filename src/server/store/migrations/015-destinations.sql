-- Where else the site of a job goes than to the web host: a server or a folder of the client's, with what lets us in, encrypted.
CREATE TABLE destination (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  kind TEXT NOT NULL,
  name TEXT NOT NULL,
  -- Where visitors find what is put there.
  origin TEXT NOT NULL,
  settings TEXT NOT NULL,
  secret BLOB,
  made_at TEXT NOT NULL
) STRICT;
CREATE INDEX destination_by_job ON destination (job);
