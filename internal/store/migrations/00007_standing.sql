-- +goose Up
-- Whether a sowing really stands where it was put, and its pieces where it lies in several.
ALTER TABLE placement ADD COLUMN stands INTEGER NOT NULL DEFAULT 0;
ALTER TABLE placement ADD COLUMN parts TEXT NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE placement DROP COLUMN parts;
ALTER TABLE placement DROP COLUMN stands;
