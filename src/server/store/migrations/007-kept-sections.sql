-- Sections that the designer keeps for any job, each with its content as JSON.
CREATE TABLE kept_section (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  section TEXT NOT NULL,
  kept_at TEXT NOT NULL
) STRICT;

-- The pictures that they show, which stay when the job goes that they came from.
CREATE TABLE kept_section_asset (
  section TEXT NOT NULL REFERENCES kept_section (id) ON DELETE CASCADE,
  asset TEXT NOT NULL REFERENCES asset (id),
  PRIMARY KEY (section, asset)
) STRICT, WITHOUT ROWID;
