-- The personal columns that somebody saw when approving. What was approved before lists none, and is asked for again.
CREATE TABLE approval_column (
    approval BIGINT NOT NULL REFERENCES approval,
    name     VARCHAR(300) NOT NULL,
    PRIMARY KEY (approval, name)
);
