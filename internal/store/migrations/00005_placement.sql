-- +goose Up
-- Sowings that somebody has put in a bed by hand.
CREATE TABLE placement (
    sowing   TEXT PRIMARY KEY,
    position REAL NOT NULL,
    bed      TEXT NOT NULL,
    at       REAL NOT NULL,
    bend     INTEGER NOT NULL
) STRICT;

-- +goose Down
DROP TABLE placement;
