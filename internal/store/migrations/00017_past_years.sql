-- +goose Up
-- What was wished for and planned in the years that have ended. A year is one document.
CREATE TABLE past_year (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    body     TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE past_year;
