-- +goose Up
-- Where the household's kitchen scale answers; empty: it has none.
ALTER TABLE household ADD COLUMN scale TEXT NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE household DROP COLUMN scale;
