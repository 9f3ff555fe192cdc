-- +goose Up
-- Further pieces of land beside the first plot; each is a document.
CREATE TABLE further_plot (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    body     TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE further_plot;
