-- The checksum of a closed run's newest receipts, and the number of the issue whose manifest names it; null until one does.
ALTER TABLE run ADD COLUMN receipts_sha CHAR(64);
ALTER TABLE run ADD COLUMN receipts_sealed INTEGER;
