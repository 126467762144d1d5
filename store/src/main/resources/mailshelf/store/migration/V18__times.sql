-- issues may begin and end within a day, by the clocks of a zone

ALTER TABLE issue ADD COLUMN from_time TIME;
ALTER TABLE issue ADD COLUMN until_time TIME;
ALTER TABLE issue ADD COLUMN zone VARCHAR(64);
