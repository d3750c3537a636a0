-- How texts of a job are held to their lines, as it was measured in a browser; by the name of all that decides it. JSON: steps of
-- {from, within}, in em, from wide rooms to narrow.
CREATE TABLE text_hold (
  job TEXT NOT NULL REFERENCES job (id),
  key TEXT NOT NULL,
  held TEXT NOT NULL,
  PRIMARY KEY (job, key)
) STRICT, WITHOUT ROWID;
