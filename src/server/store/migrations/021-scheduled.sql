-- What is to be published at a time is void once anything newer was published there, and what fails is tried ever less often.
ALTER TABLE planned_publication RENAME TO scheduled_publication;
DROP INDEX planned_publication_by_time;
CREATE INDEX scheduled_publication_by_time ON scheduled_publication (at);
-- The number of the newest switch there was of the destination when it was scheduled.
ALTER TABLE scheduled_publication ADD COLUMN after_switch INTEGER NOT NULL DEFAULT 0;
-- How often it failed, and when it is tried again, as UTC.
ALTER TABLE scheduled_publication ADD COLUMN tries INTEGER NOT NULL DEFAULT 0;
ALTER TABLE scheduled_publication ADD COLUMN next_at TEXT;
-- Why it will not happen any more; null while it is to happen.
ALTER TABLE scheduled_publication ADD COLUMN void TEXT CHECK (void IN ('overtaken', 'binned', 'failed'));
UPDATE scheduled_publication SET after_switch = (SELECT coalesce(max(switch), 0) FROM publication
  WHERE publication.job = scheduled_publication.job AND publication.destination = scheduled_publication.destination);
