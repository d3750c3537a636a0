-- Whether visitors see what is published there at once, as its kind says it; else somebody puts it up by hand.
ALTER TABLE destination ADD COLUMN seen INTEGER NOT NULL DEFAULT 1;
