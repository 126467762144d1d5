-- What was done to one thing is found without reading what was done to all others.
CREATE INDEX audit_thing ON audit (thing_kind, thing, id);
