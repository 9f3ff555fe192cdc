-- +goose Up
-- The day on which a household began with the plan; empty: before all that is planned.
ALTER TABLE household ADD COLUMN since TEXT NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE household DROP COLUMN since;
