-- +goose Up
-- What the household says of what its record teaches; one document.
CREATE TABLE learning (
    id   INTEGER PRIMARY KEY CHECK (id = 1),
    body TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE learning;
