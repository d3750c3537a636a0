-- Which publication visitors were switched to last is told by the order of switches, not by a clock that can be set back.
ALTER TABLE publication ADD COLUMN switch INTEGER;
UPDATE publication SET switch = (
  SELECT count(*) FROM publication AS other
  WHERE other.switched_at < publication.switched_at OR (other.switched_at = publication.switched_at AND other.rowid <= publication.rowid)
) WHERE switched_at IS NOT NULL;
CREATE INDEX publication_by_switch ON publication (job, switch);
