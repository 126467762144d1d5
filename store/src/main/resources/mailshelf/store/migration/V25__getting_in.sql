-- A mail address that an administrator gave somebody, until its owner confirms it by the link mailed there.
CREATE TABLE address_change (
    person    BIGINT PRIMARY KEY REFERENCES person,
    token_sha CHAR(64) NOT NULL UNIQUE,
    address   VARCHAR(254) NOT NULL,
    until_at  TIMESTAMP(6) WITH TIME ZONE NOT NULL
);

-- where a notice goes instead of its person's address
ALTER TABLE notice ADD COLUMN address VARCHAR(254);

-- Tries that are slowed down, by checksums of what they are counted by; all times by the machine's clock.
CREATE TABLE throttle (
    key_sha       CHAR(64) PRIMARY KEY,
    tries         INTEGER NOT NULL,
    blocked_until TIMESTAMP(6) WITH TIME ZONE NOT NULL,
    until_at      TIMESTAMP(6) WITH TIME ZONE NOT NULL
);
CREATE INDEX throttle_until ON throttle (until_at);

-- What keeps a server from going on with a run, or (run 0) with anything, such as a full disk.
CREATE TABLE blocked (
    owner     VARCHAR(100) NOT NULL,
    run       BIGINT NOT NULL,
    words_key VARCHAR(40) NOT NULL,
    folder    VARCHAR(1000) NOT NULL,
    since     TIMESTAMP(6) WITH TIME ZONE NOT NULL,
    PRIMARY KEY (owner, run)
);
