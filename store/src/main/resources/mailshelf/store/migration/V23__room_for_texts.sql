-- Codes and composed texts get room for the longest that can come; what is composed is shortened to it where it is
-- written (ColumnWidthsTest holds both together). One value that did not fit kept its run from being closed, and
-- everything behind it from being sent.

ALTER TABLE issue ALTER COLUMN period SET DATA TYPE VARCHAR(100);
ALTER TABLE issue ALTER COLUMN reason SET DATA TYPE VARCHAR(2000);
ALTER TABLE run ALTER COLUMN reason SET DATA TYPE VARCHAR(2000);
ALTER TABLE run ALTER COLUMN trigger_key SET DATA TYPE VARCHAR(100);
ALTER TABLE subscription ALTER COLUMN paused_because SET DATA TYPE VARCHAR(2000);
ALTER TABLE notice ALTER COLUMN subject SET DATA TYPE VARCHAR(400);
ALTER TABLE notice ALTER COLUMN body SET DATA TYPE CHARACTER LARGE OBJECT;
ALTER TABLE delivery ALTER COLUMN message_id SET DATA TYPE VARCHAR(400);
-- a password of 500 characters, encrypted
ALTER TABLE source ALTER COLUMN secret SET DATA TYPE VARCHAR(4000);
