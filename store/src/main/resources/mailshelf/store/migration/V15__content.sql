-- a subscription's content may be of several reports, whose versions and loads each of its runs is pinned to

CREATE TABLE subscription_content (
    subscription BIGINT NOT NULL REFERENCES subscription,
    version      INTEGER NOT NULL,
    no           INTEGER NOT NULL,
    report       BIGINT NOT NULL REFERENCES report,
    follows      BIGINT REFERENCES cut ON DELETE SET NULL,
    PRIMARY KEY (subscription, version, no)
);
CREATE INDEX subscription_content_report ON subscription_content (report);
CREATE INDEX subscription_content_follows ON subscription_content (follows);

INSERT INTO subscription_content (subscription, version, no, report, follows)
SELECT s.id, v.no, 0, s.report, CASE WHEN v.no = s.version THEN s.follows END
  FROM subscription s
  JOIN subscription_version v ON v.subscription = s.id;

CREATE TABLE run_source (
    run            BIGINT NOT NULL REFERENCES run,
    no             INTEGER NOT NULL,
    report         BIGINT NOT NULL REFERENCES report,
    report_version INTEGER NOT NULL,
    load           BIGINT NOT NULL REFERENCES load,
    PRIMARY KEY (run, no)
);

INSERT INTO run_source (run, no, report, report_version, load)
SELECT r.id, 0, s.report, r.report_version, r.load
  FROM run r
  JOIN subscription s ON s.id = r.subscription;

UPDATE copy
   SET allowed = '[{"dataSet":' || (SELECT l.data_set
                                      FROM issue i
                                      JOIN run_source r ON r.run = i.run
                                      JOIN load l ON l.id = r.load
                                     WHERE i.id = copy.issue) || ',"allowed":' || allowed || '}]';
ALTER TABLE copy ALTER COLUMN allowed RENAME TO slices;

ALTER TABLE run DROP COLUMN report_version;
ALTER TABLE run DROP COLUMN load;
ALTER TABLE subscription DROP COLUMN report;
ALTER TABLE subscription DROP COLUMN follows;

ALTER TABLE subscription ADD COLUMN clipping BIGINT REFERENCES clipping ON DELETE SET NULL;
CREATE INDEX subscription_clipping ON subscription (clipping);
