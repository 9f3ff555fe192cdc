-- +goose Up
-- What a household decides of a crop may be a choice in place of a number, and has a
-- reason.
ALTER TABLE overrule ADD COLUMN choice TEXT NOT NULL DEFAULT '';
ALTER TABLE overrule ADD COLUMN why TEXT NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE overrule DROP COLUMN why;
ALTER TABLE overrule DROP COLUMN choice;
