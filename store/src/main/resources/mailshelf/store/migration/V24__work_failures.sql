-- Units of work that failed unexpectedly (failed_at, by the business clock), so that each concerns itself alone: tried again
-- after a while (next_try, by the machine's clock), and set aside (next_try is null) when that has not helped. Empty when
-- all is well.
CREATE TABLE work_failure (
    kind      VARCHAR(20) NOT NULL,
    unit      BIGINT NOT NULL,
    failures  INTEGER NOT NULL,
    failed_at TIMESTAMP(6) WITH TIME ZONE NOT NULL,
    next_try  TIMESTAMP(6) WITH TIME ZONE,
    reason    VARCHAR(2000) NOT NULL,
    PRIMARY KEY (kind, unit)
);
