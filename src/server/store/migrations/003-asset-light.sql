-- How dark and light a picture is, part by part; empty where it was never looked at.
ALTER TABLE asset ADD COLUMN light TEXT NOT NULL DEFAULT '';
