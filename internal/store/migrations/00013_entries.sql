-- +goose Up
-- What the household says happened: harvests, where they went, what was put up, drawn, counted
-- and noted. An entry is one document; the columns beside it are for reading it by.
CREATE TABLE entry (
    id   TEXT PRIMARY KEY,
    day  TEXT NOT NULL,
    act  TEXT NOT NULL,
    food TEXT NOT NULL,
    lot  TEXT NOT NULL,
    body TEXT NOT NULL
) STRICT;
CREATE INDEX entry_day ON entry (day, id);

-- +goose Down
DROP TABLE entry;
