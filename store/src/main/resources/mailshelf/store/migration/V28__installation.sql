-- Tells one installation from every other: two that begin with run 1 must not send two mails with one Message-ID.
CREATE TABLE installation (
    identity VARCHAR(36) NOT NULL
);
INSERT INTO installation (identity) VALUES (CAST(RANDOM_UUID() AS VARCHAR(36)));
