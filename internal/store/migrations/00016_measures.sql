-- +goose Up
-- What the household counts by instead of weighing: a bucket of beans is 3.1 kg.
CREATE TABLE measure (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    name     TEXT NOT NULL,
    food     TEXT NOT NULL,
    kg       REAL NOT NULL
) STRICT;

-- +goose Down
DROP TABLE measure;
