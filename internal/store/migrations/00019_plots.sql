-- +goose Up
-- Further pieces of land beside the first plot; each is a document.
CREATE TABLE further_plot (
    id       TEXT PRIMARY KEY,
    position REAL NOT NULL,
    body     TEXT NOT NULL
) STRICT;
-- How many plants of a crop go into one pot or grow bag; 0: by their spacing.
ALTER TABLE habit ADD COLUMN in_one INTEGER NOT NULL DEFAULT 0;

-- +goose Down
ALTER TABLE habit DROP COLUMN in_one;
DROP TABLE further_plot;
