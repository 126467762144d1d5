-- Data sets can be called otherwise: report versions name them as they were called when they were written.
CREATE TABLE former_name (
    name     VARCHAR(120) PRIMARY KEY,
    data_set BIGINT NOT NULL REFERENCES data_set
);

-- What is removed is offered nowhere, and stays for the issues that were made of it.
ALTER TABLE report ADD removed_at TIMESTAMP(6) WITH TIME ZONE;
ALTER TABLE data_set ADD removed_at TIMESTAMP(6) WITH TIME ZONE;
