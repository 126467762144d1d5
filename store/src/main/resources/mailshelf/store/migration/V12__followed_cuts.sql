-- subscriptions that take their period and filters from a cut

ALTER TABLE subscription ADD COLUMN follows BIGINT REFERENCES cut ON DELETE SET NULL;
CREATE INDEX subscription_follows ON subscription (follows);
