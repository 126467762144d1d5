-- Workers that are alive. What a worker holds is free for the others as soon as it has not been heard of for a while,
-- so that one short row is renewed instead of every lease. By the machine's clock.
CREATE TABLE worker (
    owner   VARCHAR(60) PRIMARY KEY,
    server  INTEGER NOT NULL,
    beat_at TIMESTAMP(6) WITH TIME ZONE NOT NULL
);

-- a run that could not be made is not tried again before this moment of the machine's clock
ALTER TABLE run ALTER COLUMN lease_until RENAME TO not_before;
ALTER TABLE delivery DROP COLUMN lease_until;
ALTER TABLE notice DROP COLUMN lease_until;
ALTER TABLE notice ADD COLUMN lease_owner VARCHAR(60);
