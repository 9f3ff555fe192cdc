-- +goose Up
-- The plot and its beds, each one document: they are read and written as a whole.
CREATE TABLE plot (
    id   INTEGER PRIMARY KEY CHECK (id = 1),
    body TEXT NOT NULL
) STRICT;

CREATE TABLE bed (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    body     TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE bed;
DROP TABLE plot;
