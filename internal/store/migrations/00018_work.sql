-- +goose Up
-- What the household does for its crops while they grow, and jobs of its own; each is a document.
CREATE TABLE care_step (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    body     TEXT NOT NULL
) STRICT;
CREATE TABLE chore (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    body     TEXT NOT NULL
) STRICT;
-- When pests were first seen.
CREATE TABLE sighting (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    body     TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE sighting;
DROP TABLE chore;
DROP TABLE care_step;
