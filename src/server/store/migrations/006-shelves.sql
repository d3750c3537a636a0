-- Where a job lies: among the work, in the archive, or in the bin.
ALTER TABLE job ADD COLUMN shelf TEXT NOT NULL DEFAULT 'work' CHECK (shelf IN ('work', 'archive', 'bin'));
ALTER TABLE job ADD COLUMN shelved_at TEXT;
-- The job that this one began as a copy of; it may be gone by now.
ALTER TABLE job ADD COLUMN copy_of TEXT;

-- A log goes only together with its job, and only out of the bin.
DROP TRIGGER log_row_stays;
CREATE TRIGGER log_row_stays BEFORE DELETE ON log_row
  WHEN NOT EXISTS (SELECT 1 FROM job WHERE id = OLD.job AND shelf = 'bin')
  BEGIN SELECT RAISE(ABORT, 'the edit log is append-only'); END;
