-- What a send to ten thousand asks again and again, answered without reading its rows: where an archive file ends,
-- whether a run has deliveries that are open, and which of all are due next.
CREATE INDEX entry_volume ON entry (run, volume, start_at DESC);

CREATE INDEX delivery_open ON delivery (run, state);

DROP INDEX delivery_due;
CREATE INDEX delivery_due ON delivery (state, next_try, id);
