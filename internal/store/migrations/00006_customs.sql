-- +goose Up
-- How the household keeps its ground, one document: it is read and written as a whole.
CREATE TABLE customs (
    id   INTEGER PRIMARY KEY CHECK (id = 1),
    body TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE customs;
