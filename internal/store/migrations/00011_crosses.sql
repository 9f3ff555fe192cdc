-- +goose Up
-- A household may accept that a crop crosses with other kinds.
ALTER TABLE habit ADD COLUMN crosses INTEGER NOT NULL DEFAULT 0;

-- +goose Down
ALTER TABLE habit DROP COLUMN crosses;
