-- Whether search engines are told of what changed on a job's site.
ALTER TABLE job ADD COLUMN tells INTEGER NOT NULL DEFAULT 1;

-- What search engines are told once a publication is live: whole addresses, as JSON. `told_at` once they have taken it; `said` is what came
-- back last, `tries` how often it was sent.
CREATE TABLE notice (
  publication TEXT PRIMARY KEY REFERENCES publication (id),
  job TEXT NOT NULL REFERENCES job (id),
  urls TEXT NOT NULL,
  tries INTEGER NOT NULL DEFAULT 0,
  told_at TEXT,
  said TEXT
) STRICT, WITHOUT ROWID;
CREATE INDEX notice_by_job ON notice (job);
