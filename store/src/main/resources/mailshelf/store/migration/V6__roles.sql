-- auditors beside administrators, and a folder for each data set, by whose grants it is published and loaded

ALTER TABLE person ADD auditor BOOLEAN DEFAULT FALSE NOT NULL;

ALTER TABLE data_set ADD folder BIGINT REFERENCES folder;
INSERT INTO folder (name)
    SELECT 'Data' WHERE EXISTS (SELECT 1 FROM data_set) AND NOT EXISTS (SELECT 1 FROM folder);
UPDATE data_set SET folder = (SELECT MIN(id) FROM folder);
ALTER TABLE data_set ALTER COLUMN folder SET NOT NULL;
