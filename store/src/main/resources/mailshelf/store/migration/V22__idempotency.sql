-- what came of requests that must not be done twice, for when they are sent again

CREATE TABLE idempotency_key (
    person   BIGINT NOT NULL REFERENCES person,
    sent_key VARCHAR(100) NOT NULL,
    wish     CHAR(64) NOT NULL,
    made     BIGINT NOT NULL,
    at       TIMESTAMP(6) WITH TIME ZONE NOT NULL,
    PRIMARY KEY (person, sent_key)
);
CREATE INDEX idempotency_key_age ON idempotency_key (at);
