-- who may see which rows of a data set, and copies of an issue that differ by it

-- mapping tables need no dates
ALTER TABLE data_set ALTER COLUMN date_column DROP NOT NULL;
-- whether issues may show everybody on a list what their owner may see
ALTER TABLE data_set ADD owner_view BOOLEAN DEFAULT TRUE NOT NULL;

CREATE TABLE row_rule (
    data_set      BIGINT NOT NULL REFERENCES data_set,
    column_name   VARCHAR(120) NOT NULL,
    mapping       BIGINT NOT NULL REFERENCES data_set,
    who_column    VARCHAR(120) NOT NULL,
    values_column VARCHAR(120) NOT NULL,
    PRIMARY KEY (data_set, column_name)
);

-- what each copy shows; those of before showed all rows, to whom their owners had put on the list
ALTER TABLE copy ADD seen_as VARCHAR(10) DEFAULT 'OWNER' NOT NULL;
ALTER TABLE copy ADD allowed CHARACTER LARGE OBJECT DEFAULT '[]' NOT NULL;
ALTER TABLE copy ADD is_empty BOOLEAN DEFAULT FALSE NOT NULL;
ALTER TABLE copy ADD headline VARCHAR(300) DEFAULT '' NOT NULL;
UPDATE copy SET headline = (SELECT i.headline FROM issue i WHERE i.id = copy.issue);
