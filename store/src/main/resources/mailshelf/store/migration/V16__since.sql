-- the first day that an issue shows of what is new since the issue before

ALTER TABLE issue ADD COLUMN since DATE;
