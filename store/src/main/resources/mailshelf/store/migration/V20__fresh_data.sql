-- subscriptions that are sent after loads, and runs that wait for one

ALTER TABLE subscription ADD COLUMN after_load BOOLEAN DEFAULT FALSE NOT NULL;

-- the newest try before a load is waited for
ALTER TABLE run_source ADD COLUMN attempt_before BIGINT REFERENCES load_attempt;
-- when the load after the one that its figures are made from had failed
ALTER TABLE run_source ADD COLUMN failed_at TIMESTAMP(6) WITH TIME ZONE;

-- a file whose load failed may be taken again without its rows being counted twice
ALTER TABLE taken_file ADD COLUMN loaded BOOLEAN DEFAULT TRUE NOT NULL;
