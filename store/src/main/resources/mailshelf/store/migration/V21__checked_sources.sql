-- whether each source could be reached when it was looked after last

ALTER TABLE source ADD COLUMN checked_at TIMESTAMP(6) WITH TIME ZONE;
ALTER TABLE source ADD COLUMN failure VARCHAR(2000) DEFAULT '' NOT NULL;
