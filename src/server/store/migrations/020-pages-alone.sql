-- Pages that went out alone: after the site as it was at a release's revision, each as it was at a revision of its own, as JSON.
ALTER TABLE release ADD COLUMN alone TEXT NOT NULL DEFAULT '[]';
-- Whether it is noted at which addresses visitors found its pages.
ALTER TABLE release ADD COLUMN noted INTEGER NOT NULL DEFAULT 0;
UPDATE release SET noted = 1 WHERE EXISTS (
  SELECT 1 FROM published_path AS known WHERE known.job = release.job AND known.revision = release.revision
);
