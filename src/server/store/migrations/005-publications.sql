-- A release put on a destination: begun, switched (visitors see it), done (all that follows is done too).
CREATE TABLE publication (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  destination TEXT NOT NULL,
  release TEXT NOT NULL REFERENCES release (id),
  address TEXT NOT NULL,
  -- The address whose visitors are to be sent on; null where it did not change.
  moved_from TEXT,
  begun_at TEXT NOT NULL,
  switched_at TEXT,
  done_at TEXT,
  -- Why it was given up before the switch; visitors saw nothing of it.
  given_up TEXT
) STRICT;
CREATE INDEX publication_by_job ON publication (job, switched_at);

INSERT INTO publication (id, job, destination, release, address, moved_from, begun_at, switched_at, done_at)
  SELECT 'first-' || id, job, 'web-host', id, address, NULL, built_at, first_live_at, first_live_at FROM release WHERE first_live_at IS NOT NULL;
INSERT INTO publication (id, job, destination, release, address, moved_from, begun_at, switched_at, done_at)
  SELECT 'last-' || id, job, 'web-host', id, address, NULL, last_live_at, last_live_at, last_live_at FROM release WHERE last_live_at <> first_live_at;

-- Long work, one at a time for each job: kept, so that a start after a crash can go on with it.
CREATE TABLE task (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  kind TEXT NOT NULL,
  input TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('running', 'done', 'failed')),
  begun_at TEXT NOT NULL,
  ended_at TEXT,
  fault TEXT
) STRICT;
CREATE UNIQUE INDEX task_one_at_a_time ON task (job) WHERE state = 'running';
