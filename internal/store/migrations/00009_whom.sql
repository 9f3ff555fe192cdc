-- +goose Up
-- A wish may be for some of the household alone, and may hold in several runs of
-- months. Both are JSON, empty where there is nothing to say.
ALTER TABLE wish ADD COLUMN whom TEXT NOT NULL DEFAULT '';
ALTER TABLE wish ADD COLUMN also_months TEXT NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE wish DROP COLUMN also_months;
ALTER TABLE wish DROP COLUMN whom;
