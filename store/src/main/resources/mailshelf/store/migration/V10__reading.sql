-- what people do with reports: mark them, and open them

CREATE TABLE favourite (
    person BIGINT NOT NULL REFERENCES person,
    report BIGINT NOT NULL REFERENCES report,
    PRIMARY KEY (person, report)
);

CREATE TABLE opened (
    person BIGINT NOT NULL REFERENCES person,
    report BIGINT NOT NULL REFERENCES report,
    at     TIMESTAMP(6) WITH TIME ZONE NOT NULL,
    PRIMARY KEY (person, report)
);
